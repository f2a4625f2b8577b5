<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Pebblerun\Core\Math\Normal;

/**
 * How likely a component breaks at what is asked of it. Its strength is log-normal: one in fifty breaks at safe, one in two at edge;
 * hard use tires it. Judgement, and says so.
 */
final readonly class Strength
{
    /** Φ⁻¹ of 49 in 50. */
    private const FIFTY = 2.054;

    private const LEAST_SPREAD = 0.03;

    /** Of the spread that strength falls by with each tenfold of hard pulls beyond the first hundred. */
    private const TIRES = 0.44;

    private const RESTED = 100.0;

    /** @param  float  $spread  s of ln S, or of a difference in RON */
    private function __construct(private float $spread, private float $fallen) {}

    /** @param  float  $pulls  hard ones that it has done by then */
    public static function of(float $safe, float $edge, float $pulls): self
    {
        $spread = max(self::LEAST_SPREAD, log($edge / $safe) / self::FIFTY);

        return new self($spread, self::TIRES * $spread * log10(max(1.0, $pulls / self::RESTED)));
    }

    /** Of knock: counted in RON, and nothing tires. */
    public static function ofKnock(float $safe, float $edge): self
    {
        return new self(max(1e-6, ($edge - $safe) / self::FIFTY), 0.0);
    }

    /**
     * Mean chance over draws.
     *
     * @param  list<float>  $shares  demand over edge, one a draw
     * @return float 0–1
     */
    public function breaks(array $shares): float
    {
        $z = [];
        foreach ($shares as $share) {
            $z[] = $share > 0.0 ? (log($share) + $this->fallen) / $this->spread : -40.0;
        }

        return $z === [] ? 0.0 : array_sum(Normal::cumulatives($z)) / count($z);
    }

    /**
     * The same of knock.
     *
     * @param  list<float>  $over  RON over the edge, one a draw
     */
    public function knocks(array $over): float
    {
        return $over === [] ? 0.0 : array_sum(Normal::cumulatives(array_map(fn (float $ron): float => $ron / $this->spread, $over))) / count($over);
    }
}
