<?php

namespace Pebblerun\Core\Job\Starting;

/**
 * Slots of a new platform in gas-path order, with the lanes they stand in and the families that such engines have. Family ceilings are
 * those of the shop's method, section 4: what a family as a whole can give, as a share of the stock car.
 */
final class NewSlots
{
    private const LANES = ['map' => 'Map', 'air' => 'Air', 'boost' => 'Boost', 'charge' => 'Charge', 'engine' => 'Engine', 'exhaust' => 'Exhaust', 'fuel' => 'Fuel system', 'drive' => 'Drive', 'chassis' => 'Chassis'];

    /** Key: name, ceiling in percent of natural, boosted and diesel engines, what it does to the air. */
    private const FAMILIES = [
        'map' => ['map', [16, 72, 60], 'map'],
        'intake' => ['intake', [9, 8, 7], 'intake'],
        'manifold' => ['manifold', [14, 8, 8], 'intake'],
        'induction' => ['induction', [75, 60, 45], 'induction'],
        'charge' => ['charge', [10, 10, 22], 'charge'],
        'head' => ['head', [26, 12, 8], 'cams'],
        'compression' => ['compression', [9, 5, 5], 'none'],
        'ignition' => ['ignition', [3, 3, 3], 'none'],
        'exhaust' => ['exhaust', [14, 13, 9], 'exhaust'],
        'fuel' => ['fuel', [8, 5, 45], 'fuel'],
        'driveline' => ['driveline', [4, 3, 3], 'none'],
    ];

    /** Key: name, lane, family, the factory's part, whether it is inside the engine, for which engines (t turbo, n natural, b blown, d diesel, s single). */
    private const SLOTS = [
        'map' => ['Map', 'map', 'map', 'factory', false, 'tnbd'],
        'governor' => ['Governor', 'map', 'map', 'stock spring', false, 's'],
        'filter' => ['Filter and box', 'air', 'intake', 'paper panel, plastic box', false, 'tnbds'],
        'inlet-pipe' => ['Inlet pipe', 'air', 'intake', 'stock', false, 'tnbd'],
        'carburettor' => ['Carburettor and jet', 'air', 'intake', 'stock jet', false, 's'],
        'throttle' => ['Throttle', 'air', 'manifold', 'stock', false, 'nb'],
        'manifold' => ['Intake manifold', 'air', 'manifold', 'stock', false, 'tnbd'],
        'turbo' => ['Turbo', 'boost', 'induction', 'stock', false, 'td'],
        'blower' => ['Blower', 'boost', 'induction', 'stock', false, 'b'],
        'pulley' => ['Blower pulley', 'boost', 'induction', 'stock', false, 'b'],
        'induction' => ['Forced induction', 'boost', 'induction', 'none', false, 'n'],
        'boost-control' => ['Boost control', 'boost', 'induction', 'stock solenoid', false, 'td'],
        'intercooler' => ['Charge cooler', 'charge', 'charge', 'stock', false, 'tbd'],
        'charge-pipe' => ['Charge pipe', 'charge', 'charge', 'stock', false, 'td'],
        'cams' => ['Cams', 'engine', 'head', 'stock', false, 'tnbs'],
        'head' => ['Head', 'engine', 'head', 'stock', true, 'tnbd'],
        'springs' => ['Valve springs', 'engine', 'head', 'stock', true, 'tnbs'],
        'plugs' => ['Spark plugs', 'engine', 'ignition', 'stock heat range', false, 'tnbs'],
        'pistons' => ['Pistons', 'engine', 'compression', 'stock', true, 'tnbds'],
        'rods' => ['Rods', 'engine', 'compression', 'stock', true, 'tnbds'],
        'header' => ['Header', 'exhaust', 'exhaust', 'stock', false, 'nb'],
        'downpipe' => ['Downpipe', 'exhaust', 'exhaust', 'stock, catalysed', false, 'td'],
        'mid-pipe' => ['Mid pipe', 'exhaust', 'exhaust', 'stock', false, 'tnbd'],
        'cat-back' => ['Cat-back', 'exhaust', 'exhaust', 'stock', false, 'tnb'],
        'filter-back' => ['Filter-back', 'exhaust', 'exhaust', 'stock', false, 'd'],
        'pipe' => ['Exhaust pipe', 'exhaust', 'exhaust', 'stock', false, 's'],
        'low-pump' => ['Feed pump', 'fuel', 'fuel', 'stock', false, 'tnbds'],
        'high-pump' => ['High-pressure pump', 'fuel', 'fuel', 'stock', false, 'td'],
        'injectors' => ['Injectors', 'fuel', 'fuel', 'stock', false, 'tnbd'],
        'clutch' => ['Clutch', 'drive', 'driveline', 'stock', false, 'tnbds'],
        'gearbox' => ['Gearbox', 'drive', 'driveline', 'stock', true, 'tnbd'],
        'brakes' => ['Brakes', 'chassis', 'driveline', 'stock pads and fluid', false, 'tnbds'],
    ];

    /** @return array{lanes: list<array<string, mixed>>, families: list<array<string, mixed>>, slots: list<array<string, mixed>>} as the platform format has them */
    public static function of(EngineKind $kind): array
    {
        $slots = array_filter(self::SLOTS, fn (array $slot): bool => str_contains($slot[5], $kind->value[0]));
        $lanes = array_intersect_key(self::LANES, array_flip(array_column($slots, 1)));
        $families = array_intersect_key(self::FAMILIES, array_flip(array_column($slots, 2)));
        $column = match (true) {
            $kind === EngineKind::Diesel => 2,
            $kind->boosted() => 1,
            default => 0,
        };

        return [
            'lanes' => array_map(fn (string $key, string $name): array => ['key' => $key, 'name' => $name], array_keys($lanes), array_values($lanes)),
            'families' => array_map(fn (string $key, array $family): array => ['key' => $key, 'name' => $family[0], 'ceiling_percent' => $family[1][$column], 'air' => $family[2], ...($key === 'driveline' ? ['driveline' => true] : [])], array_keys($families), array_values($families)),
            'slots' => array_map(fn (string $key, array $slot): array => ['key' => $key, 'name' => $slot[0], 'lane' => $slot[1], 'family' => $slot[2], 'stock' => $slot[3], ...($slot[4] ? ['internal' => true] : [])], array_keys($slots), array_values($slots)),
        ];
    }
}
