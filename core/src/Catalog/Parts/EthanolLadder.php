<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\Range;

/**
 * Cases of one part that were measured on fuels of different ethanol content. Between two of them figures run straight.
 *
 * The ladder is a claim about the contents it was measured on: it answers up to 5 points beyond its ends, with the end's
 * figures, and no further.
 */
final readonly class EthanolLadder
{
    private const BEYOND = 5.0;

    /** @param  non-empty-list<GainCase>  $rungs  each with its own content, rising */
    private function __construct(private array $rungs) {}

    /**
     * @param  list<GainCase>  $cases
     * @return ?self null when one of them has no content, or two have the same, or there is none
     */
    public static function of(array $cases): ?self
    {
        $contents = array_map(fn (GainCase $case): ?float => $case->atEthanol, $cases);
        if (in_array(null, $contents, true) || count(array_unique($contents)) < count($contents)) {
            return null;
        }
        if ($cases === []) {
            return null;
        }
        usort($cases, fn (GainCase $a, GainCase $b): int => $a->atEthanol <=> $b->atEthanol);

        return new self($cases);
    }

    /**
     * The case for a fuel, or null where the ladder does not reach.
     *
     * @param  Range  $ethanol  percent by volume, as the pump really gives it
     * @param  bool  $follows  the map follows the content: richer fuel pays. Another only loses with poorer fuel
     */
    public function at(Range $ethanol, bool $follows): ?GainCase
    {
        $last = $this->rungs[count($this->rungs) - 1];
        if ($ethanol->likely < $this->rungs[0]->atEthanol - self::BEYOND || $ethanol->likely > $last->atEthanol + self::BEYOND) {
            return null;
        }
        $likely = $this->between($ethanol->likely);
        if (count($this->rungs) === 1) {
            return $likely;
        }
        $low = $this->between($ethanol->low);
        $high = $follows ? $this->between($ethanol->high) : $likely;

        return new GainCase(
            $likely->when,
            self::hull($likely->power, $low->power, $high->power),
            self::hull($likely->torque, $low->torque, $high->torque),
            [],
            $likely->reference,
            $likely->unmapped,
            $likely->source,
            $likely->air,
            $likely->atEthanol,
            new LadderReading(array_map(fn (GainCase $rung): float => (float) $rung->atEthanol, $this->rungs), $ethanol, $follows),
            $likely->peaks,
            $likely->torqueFollows,
        );
    }

    private function between(float $content): GainCase
    {
        $below = $this->rungs[0];
        foreach ($this->rungs as $rung) {
            if ($content <= $rung->atEthanol) {
                return $rung->atEthanol === $below->atEthanol
                    ? $rung
                    : $below->towards($rung, ($content - $below->atEthanol) / ($rung->atEthanol - $below->atEthanol));
            }
            $below = $rung;
        }

        return $below;
    }

    private static function hull(Range $likely, Range ...$others): Range
    {
        return Range::of(
            min($likely->low, ...array_map(fn (Range $range): float => $range->low, $others)),
            $likely->likely,
            max($likely->high, ...array_map(fn (Range $range): float => $range->high, $others)),
        );
    }
}
