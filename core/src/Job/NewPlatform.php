<?php

namespace Pebblerun\Core\Job;

/**
 * What a new platform begins with: slots in gas-path order with the families that such engines have, and a curve sketched from two
 * peaks. Family ceilings are those of the shop's method, section 4: what a family as a whole can give, as a share of the stock car.
 */
final class NewPlatform
{
    private const LOWEST = 1500.0;

    private const BELOW = 0.6;

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

    /** Key: name, lane, family, what stands there from the factory, whether it lies inside, for which engines (n natural, b boosted, d diesel). */
    private const SLOTS = [
        'map' => ['Map', 'map', 'map', 'factory', false, 'nbd'],
        'filter' => ['Filter and box', 'air', 'intake', 'paper panel, plastic box', false, 'nbd'],
        'inlet-pipe' => ['Inlet pipe', 'air', 'intake', 'stock', false, 'nbd'],
        'throttle' => ['Throttle', 'air', 'manifold', 'stock', false, 'n'],
        'manifold' => ['Intake manifold', 'air', 'manifold', 'stock', false, 'nbd'],
        'turbo' => ['Turbo or blower', 'boost', 'induction', 'stock', false, 'bd'],
        'induction' => ['Forced induction', 'boost', 'induction', 'none', false, 'n'],
        'boost-control' => ['Boost control', 'boost', 'induction', 'stock solenoid', false, 'bd'],
        'intercooler' => ['Intercooler', 'charge', 'charge', 'stock', false, 'bd'],
        'charge-pipe' => ['Charge pipe', 'charge', 'charge', 'stock', false, 'bd'],
        'cams' => ['Cams', 'engine', 'head', 'stock', false, 'nb'],
        'head' => ['Head', 'engine', 'head', 'stock', true, 'nbd'],
        'springs' => ['Valve springs', 'engine', 'head', 'stock', true, 'nb'],
        'plugs' => ['Spark plugs', 'engine', 'ignition', 'stock heat range', false, 'nb'],
        'pistons' => ['Pistons', 'engine', 'compression', 'stock', true, 'nbd'],
        'rods' => ['Rods', 'engine', 'compression', 'stock', true, 'nbd'],
        'header' => ['Header', 'exhaust', 'exhaust', 'stock', false, 'n'],
        'downpipe' => ['Downpipe', 'exhaust', 'exhaust', 'stock, catalysed', false, 'bd'],
        'mid-pipe' => ['Mid pipe', 'exhaust', 'exhaust', 'stock', false, 'nbd'],
        'cat-back' => ['Cat-back', 'exhaust', 'exhaust', 'stock', false, 'nb'],
        'filter-back' => ['Filter-back', 'exhaust', 'exhaust', 'stock', false, 'd'],
        'low-pump' => ['Feed pump', 'fuel', 'fuel', 'stock', false, 'nbd'],
        'high-pump' => ['High-pressure pump', 'fuel', 'fuel', 'stock', false, 'bd'],
        'injectors' => ['Injectors', 'fuel', 'fuel', 'stock', false, 'nbd'],
        'clutch' => ['Clutch', 'drive', 'driveline', 'stock', false, 'nbd'],
        'gearbox' => ['Gearbox', 'drive', 'driveline', 'stock', true, 'nbd'],
        'brakes' => ['Brakes', 'chassis', 'driveline', 'stock pads and fluid', false, 'nbd'],
    ];

    /** From where a pull begins, rpm: well below the torque peak, and never above what cars are pulled from. */
    private static function lowest(float $torqueRpm): float
    {
        return min(self::LOWEST, round(self::BELOW * $torqueRpm, -2));
    }

    /**
     * @param  array{key: string, name: string, make: string, model: string, years: array{from: int, to: int}, engine: array<string, mixed>, drive: string, gearbox: string, rev_limit: float, peaks: array<string, mixed>}  $answers  in the shop's units; the engine and the peaks as the platform format has them
     * @return array<string, mixed> a platform document
     */
    public static function of(array $answers): array
    {
        $engine = $answers['engine'];
        $kind = match (true) {
            $engine['fuel'] === 'diesel' => 'd',
            $engine['aspiration'] === 'natural' => 'n',
            default => 'b',
        };
        $slots = array_filter(self::SLOTS, fn (array $slot): bool => str_contains($slot[5], $kind));
        $lanes = array_intersect_key(self::LANES, array_flip(array_column($slots, 1)));
        $families = array_intersect_key(self::FAMILIES, array_flip(array_column($slots, 2)));

        return [
            ...array_intersect_key($answers, array_flip(['key', 'name', 'make', 'model', 'years', 'engine', 'drive', 'gearbox', 'rev_limit'])),
            'baseline' => ['peaks' => ['lowest_rpm' => self::lowest((float) $answers['peaks']['torque']['rpm']), ...$answers['peaks']], 'evidence' => ['kind' => 'judgement', 'note' => 'sketched from its two peaks: measure a stock car']],
            'lanes' => array_map(fn (string $key, string $name): array => ['key' => $key, 'name' => $name], array_keys($lanes), array_values($lanes)),
            'families' => array_map(fn (string $key, array $family): array => ['key' => $key, 'name' => $family[0], 'ceiling_percent' => $family[1][(int) strpos('nbd', $kind)], 'air' => $family[2], ...($key === 'driveline' ? ['driveline' => true] : [])], array_keys($families), array_values($families)),
            'slots' => array_map(fn (string $key, array $slot): array => ['key' => $key, 'name' => $slot[0], 'lane' => $slot[1], 'family' => $slot[2], 'stock' => $slot[3], ...($slot[4] ? ['internal' => true] : [])], array_keys($slots), array_values($slots)),
            'limits' => [],
            'ceilings' => [],
        ];
    }
}
