<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Report\UnitFormatter;

/** Says where a component stands. */
final class LimitWords
{
    public static function of(LimitReading $reading, UnitFormatter $say): string
    {
        $quantity = $reading->limit->quantity;
        $unit = $say->limitLabel($quantity);
        $figure = fn (float $value): string => $say->writeLimit($quantity, $value);
        if ($reading->used === null) {
            return "{$reading->limit->name}: not estimated, watch it (safe to {$figure($reading->safe)} {$unit}).";
        }
        $where = match ($quantity) {
            Quantity::EngineSpeed, Quantity::Boost => '',
            Quantity::ChargeTemperature => ' on the fifth pull',
            Quantity::ExhaustTemperature => ' at full load',
            default => " near {$say->sayRpm($reading->rpm)}",
        };

        $room = $reading->room();
        $more = $room === null ? '' : "; room for {$figure($room)} {$unit} more";

        return "{$reading->limit->name}, {$reading->status->words()}: nine cars in ten stay under {$figure($reading->demand)} {$unit}{$where}; safe to {$figure($reading->safe)}, edge {$figure($reading->edge)}{$more}.";
    }
}
