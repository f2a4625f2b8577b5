<?php

namespace App\Assembly;

use App\Models\EvidenceRecord;
use Pebblerun\Core\Advice\Library\FigureRule;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Units\Range;

/** What the rule makes of the records of a gain, in the units that they are written in. */
final class FiguresByRule
{
    /**
     * @param  list<EvidenceRecord>  $records
     * @return ?array{kind: string, power: list<float>, torque: list<float>, from: int} null for none
     */
    public static function of(array $records): ?array
    {
        $power = FigureRule::of(self::ranges($records, 'power'));
        $torque = FigureRule::of(self::ranges($records, 'torque'));
        if ($power === null || $torque === null) {
            return null;
        }

        return ['kind' => $power[0]->value, 'power' => self::three($power[1]), 'torque' => self::three($torque[1]), 'from' => $power[2]];
    }

    /**
     * @param  list<EvidenceRecord>  $records
     * @return list<array{Evidence, Range}>
     */
    private static function ranges(array $records, string $figure): array
    {
        return array_map(function (EvidenceRecord $record) use ($figure): array {
            $said = $record->figures[$figure] ?? 0.0;

            return [Evidence::from($record->kind), is_array($said) ? Range::of(...array_values(array_map(floatval(...), $said))) : Range::exact((float) $said)];
        }, $records);
    }

    /** @return list<float> */
    private static function three(Range $range): array
    {
        return array_map(fn (float $value): float => round($value, 2), [$range->low, $range->likely, $range->high]);
    }
}
