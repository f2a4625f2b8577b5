<?php

namespace Pebblerun\Core\Math;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Latin hypercube draws: every key has its own permutation of the strata, seeded by the key alone, so the same plan
 * always gives the same answer and another part reshuffles no other part's draws. Parts share a Gaussian common
 * factor: z = √0.3·z₀ + √0.7·e, u = Φ(z).
 */
final class LatinDraws implements Draws
{
    public const COUNT = 512;

    private const COMMON = 0.3;

    /** @var array<string, list<float>> */
    private array $parts = [];

    /** @var ?list<float> */
    private ?array $common = null;

    /** @var list<float> of the strata, rising: every key has the same ones in its own order */
    private readonly array $middles;

    /** @var list<float> Φ⁻¹ of the middles */
    private readonly array $scores;

    /** @param  positive-int  $count */
    public function __construct(private readonly int $count = self::COUNT)
    {
        $this->middles = array_map(fn (int $stratum): float => ($stratum + 0.5) / $count, range(0, $count - 1));
        $this->scores = array_map(Normal::quantile(...), $this->middles);
    }

    public function count(): int
    {
        return $this->count;
    }

    public function part(string $key): array
    {
        return $this->parts[$key] ??= $this->tied($key);
    }

    public function ceiling(string $key): array
    {
        return $this->inOrder($this->middles, "ceiling:{$key}");
    }

    public function curve(): array
    {
        return $this->normals('curve');
    }

    public function model(): array
    {
        return $this->normals('model');
    }

    public function falling(): Draws
    {
        return $this;
    }

    /** @return list<float> */
    private function tied(string $key): array
    {
        $this->common ??= $this->normals('common');
        $shared = sqrt(self::COMMON);
        $own = sqrt(1.0 - self::COMMON);
        $z = [];
        foreach ($this->normals("part:{$key}") as $i => $e) {
            $z[] = $shared * $this->common[$i] + $own * $e;
        }

        return Normal::cumulatives($z);
    }

    /** @return list<float> */
    private function normals(string $key): array
    {
        return $this->inOrder($this->scores, $key);
    }

    /**
     * @param  list<float>  $figures  one a stratum
     * @return list<float> in the key's own order
     */
    private function inOrder(array $figures, string $key): array
    {
        $random = new Randomizer(new Xoshiro256StarStar(hash('sha256', "pebblerun/{$key}", true)));

        return $random->shuffleArray($figures);
    }
}
