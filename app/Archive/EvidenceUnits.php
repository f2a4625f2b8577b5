<?php

namespace App\Archive;

use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Exchange\LimitUnits;
use Pebblerun\Core\Units\UnitSystem;
use stdClass;

/** What is on record was once written in the shop's units; it is brought to SI once. */
final class EvidenceUnits
{
    private const RECORDS = "select e.id, e.figures, s.units, l.document->>'quantity' as quantity from evidence_records e join shops s on s.id = e.shop_id left join platform_limits l on l.id = e.limit_id where e.figures is not null";

    private const OUTCOMES = "select o.id, o.load, s.units, l.document->>'quantity' as quantity from limit_outcomes o join platform_limits l on l.id = o.limit_id join platforms p on p.id = l.platform_id join shops s on s.id = p.shop_id";

    public static function toSi(): void
    {
        foreach (DB::select(self::RECORDS) as $row) {
            $figures = (array) json_decode($row->figures, true);
            DB::table('evidence_records')->where('id', $row->id)->update(['figures' => json_encode($row->quantity === null
                ? self::gain(self::units($row), $figures)
                : array_map(fn (mixed $value): float => self::limit($row, (float) $value), $figures), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)]);
        }
        foreach (DB::select(self::OUTCOMES) as $row) {
            DB::table('limit_outcomes')->where('id', $row->id)->update(['load' => self::limit($row, (float) $row->load)]);
        }
    }

    /**
     * @param  array<string, mixed>  $figures
     * @return array<string, list<float>> W and N·m
     */
    private static function gain(UnitSystem $units, array $figures): array
    {
        $size = ['power' => $units->power->watts(), 'torque' => $units->torque->newtonMetres()];

        $written = [];
        foreach ($figures as $figure => $range) {
            $written[$figure] = array_map(fn (mixed $value): float => (float) $value * $size[$figure], array_values((array) $range));
        }

        return $written;
    }

    private static function limit(stdClass $row, float $value): float
    {
        return (new LimitUnits(self::units($row)))->toSi(Quantity::from($row->quantity), $value);
    }

    private static function units(stdClass $row): UnitSystem
    {
        return UnitSystem::parse((array) json_decode($row->units, true));
    }
}
