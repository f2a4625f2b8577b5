<?php

namespace App\Assembly;

use App\Models\EvidenceRecord;
use Pebblerun\Core\Advice\Library\FigureRule;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Dyno\Frame;
use Pebblerun\Core\Units\Range;

/** What the rule makes of the records of a gain, in a shop's units. */
final class FiguresByRule
{
    /**
     * @param  list<EvidenceRecord>  $records  in SI
     * @return ?array{kind: string, power: list<float>, torque: list<float>, from: int} null for none
     */
    public static function of(array $records, OpenedBundle $opened): ?array
    {
        $power = FigureRule::of(self::ranges($records, 'power', $opened->bundle));
        $torque = FigureRule::of(self::ranges($records, 'torque', $opened->bundle));
        $units = $opened->units;
        if ($power === null || $torque === null) {
            return null;
        }

        return ['kind' => $power[0]->value, 'power' => self::three($power[1]->scaled(1.0 / $units->power->watts())), 'torque' => self::three($torque[1]->scaled(1.0 / $units->torque->newtonMetres())), 'from' => $power[2]];
    }

    /**
     * Each brought to the shop's own frame: what was read at the crank, or on another dyno, is less sure.
     *
     * @param  list<EvidenceRecord>  $records
     * @return list<array{Evidence, Range}>
     */
    private static function ranges(array $records, string $figure, Bundle $bundle): array
    {
        $loss = $bundle->catalog->platform->lossShare(Gearbox::Manual, $bundle->shop->loss);

        return array_map(function (EvidenceRecord $record) use ($figure, $bundle, $loss): array {
            $dyno = isset($bundle->shop->dynoFactors[$record->frame_dyno ?? '']) ? $record->frame_dyno : null;
            $said = array_values(array_map(floatval(...), (array) ($record->figures[$figure] ?? [0.0])));

            return [Evidence::from($record->kind), Frame::of($record->frame_at === 'crank', $dyno, $bundle->shop->dynoFactors, $loss)->convert(count($said) === 3 ? Range::of(...$said) : Range::exact($said[0]))];
        }, $records);
    }

    /** @return list<float> */
    private static function three(Range $range): array
    {
        return array_map(fn (float $value): float => round($value, 2), [$range->low, $range->likely, $range->high]);
    }
}
