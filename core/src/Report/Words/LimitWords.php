<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;

/** Says where a component stands. */
final readonly class LimitWords
{
    public function __construct(private UnitFormatter $say) {}

    public function of(LimitReading $reading): string
    {
        $quantity = $reading->limit->quantity;
        $unit = $this->say->limitLabel($quantity);
        $figure = fn (float $value): string => $this->say->writeLimit($quantity, $value);
        if ($reading->used === null) {
            return "{$reading->limit->name}: not estimated, watch it (safe to {$figure($reading->safe)} {$unit}).";
        }
        $room = $reading->room();
        $more = $room === null ? '' : "; room for {$figure($room)} {$unit} more";

        return "{$reading->limit->name}, ".Terms::status($reading->status).": {$this->demand($reading)}; safe to {$figure($reading->safe)}, edge {$figure($reading->edge)}{$more}.";
    }

    /** "90 % of cars stay below 332 lb-ft near 3,000 rpm (316 + 5 % margin)". */
    private function demand(LimitReading $reading): string
    {
        $quantity = $reading->limit->quantity;
        $demand = $this->say->sayLimit($quantity, $reading->demand);
        $margin = $quantity->hasMargin()
            ? sprintf(' (%s + %d %% margin)', $this->say->writeLimit($quantity, $reading->demand / LimitCheck::OVERSHOOT), round(100 * (LimitCheck::OVERSHOOT - 1.0)))
            : '';

        return match ($quantity) {
            Quantity::EngineSpeed => "the limiter stands at {$demand}",
            Quantity::Boost => "90 % of cars stay below {$demand}{$margin}",
            Quantity::ChargeTemperature => "90 % of cars stay below {$demand} on the fifth pull",
            Quantity::ExhaustTemperature => "90 % of cars stay below {$demand} at full load",
            default => "90 % of cars stay below {$demand} near {$this->say->sayRpm($reading->rpm)}{$margin}",
        };
    }
}
