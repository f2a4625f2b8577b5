<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Advice\BreakingRisk;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Job\Brief\Driving;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what may break. */
final readonly class BreakingWords
{
    /** Chance from which on a component is named, how many are, and minor units from which on their sum is said. */
    private const WORTH_NAMING = 0.005;

    private const NAMED = 3;

    private const WORTH_MONEY = 1_000;

    public function __construct(private UnitFormatter $say) {}

    public function of(BreakingRisk $risk, Driving $driving): string
    {
        $likely = array_values(array_filter($risk->likeliest, fn (LimitReading $reading): bool => $reading->breaks >= self::WORTH_NAMING));
        $named = array_map(fn (LimitReading $reading): string => "{$reading->limit->name} {$this->percent((float) $reading->breaks)}", array_slice($likely, 0, self::NAMED));
        $cost = $risk->cost < self::WORTH_MONEY ? '' : ", {$this->say->sayMoney($risk->cost)} of repairs to be expected beside the reserve";

        return "{$this->percent($risk->chance)} chance that something breaks within {$this->say->numerals->write($driving->months)} months at {$this->say->numerals->write($driving->distance)} km a month ({$this->say->numerals->write($driving->pulls())} hard pulls){$cost}"
            .($named === [] ? '.' : ': '.Listing::join($named, 'and').'.').' Judgement; nothing is said of steering, brakes and tyres, which must be right.';
    }

    private function percent(float $share): string
    {
        return $share < 0.001 ? 'less than 0.1 %' : $this->say->numerals->write(100 * $share, $share < 0.1 ? 1 : 0).' %';
    }
}
