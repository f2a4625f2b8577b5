<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\Range;

/**
 * Cases of one part that were measured on several fuels. Between two contents of ethanol, and between two octanes of one content,
 * figures run straight. Beyond its ends the end's figures hold, and are doubted more: half as much again over 20 points of content.
 */
final readonly class FuelLadder
{
    private const WIDENS_OVER = 20.0;

    private const WIDER = 0.5;

    /** @param  non-empty-list<non-empty-list<GainCase>>  $rungs  of one content each, rising; within it rising in octane */
    private function __construct(private array $rungs) {}

    /**
     * @param  list<GainCase>  $cases
     * @return ?self null when one of them has no content, or two were measured on the same fuel, or there is none
     */
    public static function of(array $cases): ?self
    {
        $rungs = [];
        foreach ($cases as $case) {
            if ($case->on->ethanol === null || isset($rungs[(string) $case->on->ethanol][(string) $case->on->octane])) {
                return null;
            }
            $rungs[(string) $case->on->ethanol][(string) $case->on->octane] = $case;
        }
        foreach ($rungs as $content => $octanes) {
            if (count($octanes) > 1 && isset($octanes[''])) {
                return null;
            }
            ksort($octanes, SORT_NUMERIC);
            $rungs[$content] = array_values($octanes);
        }
        ksort($rungs, SORT_NUMERIC);

        return $rungs === [] ? null : new self(array_values($rungs));
    }

    /**
     * The case for a fuel.
     *
     * @param  Range  $ethanol  percent by volume, as the pump really gives it
     * @param  float  $octane  RON
     * @param  bool  $follows  the map follows the content: richer fuel pays. Another only loses with poorer fuel
     */
    public function at(Range $ethanol, float $octane, bool $follows): GainCase
    {
        $likely = $this->between($ethanol->likely, $octane);
        if (count($this->rungs) === 1 && $likely->on->ethanol === $ethanol->likely) {
            return $likely;
        }
        $low = $this->between($ethanol->low, $octane);
        $high = $follows ? $this->between($ethanol->high, $octane) : $likely;

        return new GainCase(
            $likely->when,
            self::hull($likely->power, $low->power, $high->power),
            self::hull($likely->torque, $low->torque, $high->torque),
            [],
            $likely->reference,
            $likely->unmapped,
            $likely->source,
            $likely->air,
            $likely->on,
            new LadderReading(array_map(fn (array $rung): float => (float) $rung[0]->on->ethanol, $this->rungs), $ethanol, $follows),
            $likely->peaks,
            $likely->torqueFollows,
        );
    }

    private function between(float $content, float $octane): GainCase
    {
        $first = self::onOctane($this->rungs[0], $octane);
        if ($content <= $first->on->ethanol) {
            return self::beyond($first, $first->on->ethanol - $content);
        }
        $below = $first;
        foreach ($this->rungs as $octanes) {
            $rung = self::onOctane($octanes, $octane);
            if ($content <= $rung->on->ethanol) {
                return $below->towards($rung, ($content - (float) $below->on->ethanol) / ((float) $rung->on->ethanol - (float) $below->on->ethanol));
            }
            $below = $rung;
        }

        return self::beyond($below, $content - (float) $below->on->ethanol);
    }

    /** @param  non-empty-list<GainCase>  $octanes */
    private static function onOctane(array $octanes, float $octane): GainCase
    {
        $below = $octanes[0];
        foreach ($octanes as $case) {
            if ($octane <= (float) $case->on->octane) {
                return $case === $below ? $case : $below->towards($case, ($octane - (float) $below->on->octane) / ((float) $case->on->octane - (float) $below->on->octane));
            }
            $below = $case;
        }

        return $below;
    }

    /** @param  float  $points  of content past the last that was measured */
    private static function beyond(GainCase $end, float $points): GainCase
    {
        return $points <= 0.0 ? $end : $end->doubtedBy(1.0 + self::WIDER * min(1.0, $points / self::WIDENS_OVER));
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
