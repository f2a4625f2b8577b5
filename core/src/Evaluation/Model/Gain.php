<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\AirRole;
use Pebblerun\Core\Units\Range;

/** The case of a part that applies in a state, as fractions over engine speed. */
final readonly class Gain
{
    /** With boost the gain shrinks to this share of itself at the lowest speed: no boost, no gain. */
    private const LOWEST = 0.2;

    /** Names everything that moves its factor: equal signatures give equal draws. */
    public string $signature;

    /**
     * @param  string  $family  the family it stacks in; a kit is its own
     * @param  float  $ceiling  C of that family, INF without one
     * @param  non-empty-list<float>  $rpms  of the anchors, rising
     * @param  non-empty-list<Range>  $fractions  gain at each anchor
     * @param  non-empty-list<float>  $ratios  reference over baseline at each anchor, for the plain sum
     * @param  float  $share  of a gain that is realised: 1 where a map covers the part
     * @param  bool  $driveline  on the wheel figure alone
     * @param  bool  $induction  forced induction on a natural engine
     * @param  ?float  $fadesFrom  the grid's first rpm, when a gain shrinks below the first anchor
     * @param  AirRole  $air  how it moves the air that the engine gets
     * @param  float  $comparedTo  rpm up to which the engine that it is compared with gives something: beyond, no ceiling of the family counts
     * @param  ?self  $onPump  of a map on strong fuel: what it gives on pump fuel
     */
    public function __construct(
        public Part $part,
        public GainCase $case,
        public string $family,
        public float $ceiling,
        public array $rpms,
        public array $fractions,
        public array $ratios,
        public float $share,
        public bool $covered,
        private ?float $fadesFrom,
        public bool $driveline = false,
        public bool $induction = false,
        public AirRole $air = AirRole::None,
        public ?self $onPump = null,
        public float $comparedTo = INF,
    ) {
        $figures = array_map(fn (Range $fraction): string => $fraction->name(), $fractions);
        $this->signature = hash('xxh128', implode('/', [$part->key, $share, $ceiling, $fadesFrom, ...$rpms, ...$figures, ...$ratios]));
    }

    /** The largest likely fraction, as far as a map lets it be: how much it counts among other parts. */
    public function weight(): float
    {
        return $this->share * max(array_map(fn (Range $fraction): float => abs($fraction->likely), $this->fractions));
    }

    /** The smallest fraction that it can be at any speed. */
    public function least(): float
    {
        return min(array_map(fn (Range $fraction): float => $fraction->low, $this->fractions));
    }

    /** The largest fraction that it can be at any speed. */
    public function most(): float
    {
        return $this->share * max(array_map(fn (Range $fraction): float => $fraction->high, $this->fractions));
    }

    /**
     * Anchors of the piecewise straight gain, the fading one included.
     *
     * @return non-empty-list<float> rpm
     */
    public function knots(): array
    {
        return $this->fadesFrom === null ? $this->rpms : [$this->fadesFrom, ...$this->rpms];
    }

    /** @return non-empty-list<Range> at the knots, whatever a map realises of them */
    public function rangesAtKnots(): array
    {
        return $this->fadesFrom === null ? $this->fractions : [$this->fractions[0]->scaled(self::LOWEST), ...$this->fractions];
    }

    /**
     * The same part with other fractions, outside of every ceiling.
     *
     * @param  non-empty-list<float>  $rpms
     * @param  non-empty-list<Range>  $fractions
     */
    public function giving(array $rpms, array $fractions): self
    {
        return new self($this->part, $this->case, $this->family, INF, $rpms, $fractions, array_fill(0, count($rpms), 1.0), $this->share, $this->covered, null, $this->driveline, $this->induction, $this->air, $this->onPump);
    }

    /**
     * Gains at the knots, one row a draw.
     *
     * @param  ?list<float>  $u  0–1 each, drives all figures of the part at once; null: one row, the likely figures
     * @param  ?array<int, true>  $only  places of knots that are asked for; null: all
     * @return non-empty-list<list<float>> a column for each knot, fractions; empty where it is not asked for
     */
    public function columns(?array $u, ?array $only = null): array
    {
        $columns = $real = [];
        foreach ($this->fractions as $i => $fraction) {
            $columns[] = $column = match (true) {
                $only !== null && ! isset($only[$i]) => [],
                $u === null => [$fraction->likely],
                default => $fraction->quantiles($u),
            };
            $real[] = self::realised($column, $this->share);
        }

        return $this->fadesFrom === null ? $real : [self::realised($columns[0], $this->share * self::LOWEST), ...$real];
    }

    /**
     * A missing map takes away gains; what a part loses, it loses anyway.
     *
     * @param  list<float>  $gains
     * @return list<float>
     */
    private static function realised(array $gains, float $share): array
    {
        if ($share === 1.0) {
            return $gains;
        }
        $real = [];
        foreach ($gains as $gain) {
            $real[] = $gain > 0.0 ? $gain * $share : $gain;
        }

        return $real;
    }

    /** @return non-empty-list<float> reference over baseline at the knots */
    public function ratiosAtKnots(): array
    {
        return $this->fadesFrom === null ? $this->ratios : [$this->ratios[0], ...$this->ratios];
    }
}
