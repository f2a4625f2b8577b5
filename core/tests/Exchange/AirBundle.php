<?php

namespace Pebblerun\Core\Tests\Exchange;

/** Bundles in which air and fuel decide: a natural engine with blowers, a turbo with a port-injected fuel system, a diesel that tows. */
final class AirBundle
{
    private const EVIDENCE = ['kind' => 'judgement'];

    /** @return array<string, array<string, mixed>> bundle documents by name */
    public static function all(): array
    {
        return ['a natural engine with a blower' => self::natural('roots'), 'a natural engine with a centrifugal blower' => self::natural('centrifugal'), 'a turbo on port injectors' => self::turbo(), 'a diesel that tows' => self::diesel()];
    }

    /** @return array<string, mixed> 4.8 L, 300 whp; a map, then a blower with its cooler, larger injectors and water-methanol beside it */
    public static function natural(string $blower, string ...$more): array
    {
        $ratio = fn (float ...$at): array => array_map(fn (float $rpm, float $ratio): array => ['rpm' => $rpm, 'ratio' => $ratio], [1500.0, 4000.0, 6500.0], array_values($at));

        return self::bundle(
            ['displacement' => 4.8, 'cylinders' => 8, 'aspiration' => 'natural', 'injection' => 'port', 'fuel' => 'petrol', 'octane' => 95],
            [[1500, 255], [2500, 285], [4500, 310], [5800, 275], [6500, 225]],
            ['fuel_system' => [
                ['key' => 'injectors', 'name' => 'Injectors', 'slot' => 'pump', 'kind' => 'port-injectors', 'count' => 8, 'flow_cc_min' => 380, 'rated_bar' => 3, 'rail_bar' => 3.5, 'consequence' => 'lean', 'evidence' => self::EVIDENCE],
                ['key' => 'feed', 'name' => 'Feed pump', 'slot' => 'pump', 'kind' => 'feed-pump', 'flow_l_h' => 190, 'consequence' => 'lean', 'evidence' => self::EVIDENCE],
            ], 'limits' => [self::limit('knock', 'rods', 'knock', 3, 8), self::limit('charge', 'cooler', 'charge-temperature', 75, 90, ['hot' => ['safe' => 90, 'edge' => 105]]), self::limit('flow', 'turbo', 'turbo-flow', 1.05, 1.15)]],
            [
                self::forced('roots', [70, 100, 130], [80, 110, 140], $ratio(1.45, 1.47, 1.48)),
                self::forced('centrifugal', [80, 115, 150], [30, 55, 80], $ratio(1.05, 1.25, 1.6)),
                self::part('large', ['pump'], ['effects' => ['supplies' => [
                    ['key' => 'injectors', 'name' => 'Injectors, 620', 'slot' => 'pump', 'kind' => 'port-injectors', 'count' => 8, 'flow_cc_min' => 620, 'rated_bar' => 3, 'rail_bar' => 3.5, 'follows_manifold' => true, 'consequence' => 'lean', 'evidence' => self::EVIDENCE],
                    ['key' => 'feed', 'name' => 'Feed pump, 340', 'slot' => 'pump', 'kind' => 'feed-pump', 'flow_l_h' => 340, 'consequence' => 'lean', 'evidence' => self::EVIDENCE],
                ]]]),
                self::part('spray', ['bottle'], ['tags' => ['water-methanol'], 'effects' => ['charge' => [-30, -20, -10]]]),
                self::part('pistons', ['rods'], ['effects' => ['compression' => 1.0]]),
            ],
            [['map'], [$blower, 'large', 'map', ...array_values($more)]],
        );
    }

    /**
     * @param  list<int>  $power
     * @param  list<int>  $torque
     * @param  list<array<string, float>>  $ratios
     * @return array<string, mixed>
     */
    private static function forced(string $key, array $power, array $torque, array $ratios): array
    {
        return self::part($key, ['turbo'], [
            'tags' => ['forced-induction'], 'unmapped' => 'do-not-run',
            'gains' => [self::gain($power, $torque, ['pressure_ratio' => $ratios, 'when' => ['map' => 'dyno'], 'reference' => ['power' => 320, 'torque' => 320]])],
            'effects' => ['compressor' => ['efficiency' => 0.62, 'flow_kg_s' => 0.6, 'belt' => true], 'cooler' => ['effectiveness' => 0.6, 'capacity_kj_k' => 35, 'ua_w_k' => 1500, 'flow_kg_s' => 0.45]],
        ]);
    }

    /** @return array<string, mixed> 1.6 L, 210 whp; a map, then strong fuel on the stock injectors and a turbo with boost as the dyno showed it */
    public static function turbo(): array
    {
        return self::bundle(
            ['displacement' => 1.6, 'cylinders' => 4, 'aspiration' => 'turbo', 'injection' => 'port', 'fuel' => 'petrol', 'octane' => 95],
            [[1500, 133], [2500, 221], [4500, 221], [5800, 193], [6500, 159]],
            [
                'boost' => ['at_torque' => [1.4, 1.45, 1.5], 'at_power' => [1.2, 1.25, 1.3]],
                'air' => ['compressor_efficiency' => 0.7, 'compressor_flow_kg_s' => 0.27, 'cooler' => ['effectiveness' => 0.7, 'capacity_kj_k' => 6, 'ua_w_k' => 260, 'flow_kg_s' => 0.22]],
                'fuel_system' => [['key' => 'injectors', 'name' => 'Injectors', 'slot' => 'pump', 'kind' => 'port-injectors', 'count' => 4, 'flow_cc_min' => 560, 'rated_bar' => 3, 'rail_bar' => 4, 'consequence' => 'lean', 'evidence' => self::EVIDENCE]],
                'limits' => [self::limit('knock', 'rods', 'knock', 3, 8), self::limit('charge', 'cooler', 'charge-temperature', 75, 90), self::limit('turbo', 'turbo', 'turbo-flow', 1.05, 1.15), self::limit('pipe', 'cooler', 'boost', 1.9, 2.3)],
                'ceilings' => [['key' => 'flow', 'name' => 'Flow', 'kind' => 'soft', 'quantity' => 'power', 'at' => 'wheels', 'value' => [255, 265, 275], 'when' => ['slot' => 'turbo', 'is' => 'stock'], 'evidence' => self::EVIDENCE]],
            ],
            [
                self::part('hybrid', ['turbo'], ['gains' => [self::gain([30, 50, 70], [0, 20, 40])], 'effects' => ['compressor' => ['efficiency' => 0.73, 'flow_kg_s' => 0.36]]]),
                self::part('blend', ['map'], ['map' => ['kind' => 'dyno'], 'gains' => [self::gain([20, 20, 20], [30, 30, 30], ['at_ethanol' => 5]), self::gain([40, 40, 40], [60, 60, 60], ['at_ethanol' => 50])]]),
                self::part('read', ['map'], ['map' => ['kind' => 'dyno'], 'gains' => [self::gain([20, 32, 44], [30, 48, 66], ['boost' => ['at_torque' => [1.7, 1.8, 1.9], 'at_power' => [1.5, 1.6, 1.7]], 'evidence' => ['kind' => 'shop-dyno']])]]),
            ],
            [['map'], ['hybrid', 'map'], ['read']],
        );
    }

    /** @return array<string, mixed> 2.8 L, 150 whp; a map, then larger injectors and a cooler, with a trailer on a grade */
    public static function diesel(): array
    {
        $document = self::bundle(
            ['displacement' => 2.8, 'cylinders' => 4, 'aspiration' => 'turbo', 'injection' => 'direct', 'fuel' => 'diesel', 'lambda' => ['at_torque' => 1.27, 'at_power' => 1.45]],
            [[1200, 190], [1800, 304], [2400, 305], [3200, 245], [3800, 207], [4500, 135]],
            [
                'rev_limit' => 4500, 'mass' => 2400, 'drag_area' => 1.1, 'exhaust' => [685, 700, 715],
                'boost' => ['at_torque' => [1.35, 1.42, 1.5], 'at_power' => [1.2, 1.3, 1.4]],
                'air' => ['compressor_efficiency' => 0.71, 'compressor_flow_kg_s' => 0.26, 'cooler' => ['effectiveness' => 0.78, 'capacity_kj_k' => 20, 'ua_w_k' => 1300, 'flow_kg_s' => 0.23]],
                'fuel_system' => [
                    ['key' => 'rail', 'name' => 'Rail pump', 'slot' => 'pump', 'kind' => 'cam-pump', 'volume_cc' => 0.36, 'consequence' => 'it sags', 'evidence' => self::EVIDENCE],
                    ['key' => 'injectors', 'name' => 'Injectors', 'slot' => 'bottle', 'kind' => 'direct-injectors', 'count' => 4, 'flow_cc_min' => 780, 'rated_bar' => 1600, 'rail_bar' => 1600, 'consequence' => 'smoke', 'evidence' => self::EVIDENCE],
                ],
                'limits' => [self::limit('egt', 'turbo', 'exhaust-temperature', 780, 830), self::limit('smoke', 'bottle', 'smoke', 1.15, 1.05), self::limit('turbo', 'turbo', 'turbo-flow', 1.05, 1.15), self::limit('charge', 'cooler', 'charge-temperature', 75, 90)],
            ],
            [
                self::part('power', ['map'], ['map' => ['kind' => 'dyno'], 'gains' => [self::gain([20, 34, 46], [45, 75, 105], ['air_share' => 0.4])]]),
                self::part('nozzles', ['bottle'], ['gains' => [self::gain([8, 20, 32], [10, 32, 60])]]),
                self::part('front', ['cooler'], ['gains' => [self::gain([2, 5, 8], [3, 8, 14])], 'effects' => ['cooler' => ['effectiveness' => 0.88, 'capacity_kj_k' => 30, 'ua_w_k' => 2000, 'flow_kg_s' => 0.3], 'mass' => 5]]),
                self::part('spray', ['turbo'], ['tags' => ['water-methanol'], 'effects' => ['exhaust' => [-60, -40, -20], 'charge' => [-20, -15, -10]]]),
            ],
            [['power'], ['nozzles', 'front', 'power'], ['spray', 'power']],
        );
        $document['brief']['outside'] = ['altitude_m' => 900, 'hottest_c' => 34, 'trailer' => 1900, 'grade_percent' => 7];

        return $document;
    }

    /**
     * @param  array<string, mixed>  $engine
     * @param  list<array{int, int|float}>  $points
     * @param  array<string, mixed>  $platform
     * @param  list<array<string, mixed>>  $parts
     * @param  list<list<string>>  $stages
     * @return array<string, mixed>
     */
    private static function bundle(array $engine, array $points, array $platform, array $parts, array $stages): array
    {
        $document = SmallBundle::document();
        $fuel = $engine['fuel'] === 'diesel' ? 'diesel' : 'pump';
        $curve = ['points' => array_map(fn (array $point): array => ['rpm' => $point[0], 'torque' => $point[1]], $points)];
        $slots = array_map(fn (string $key): array => ['key' => $key, 'name' => ucfirst($key), 'lane' => 'inside', 'family' => 'air', 'stock' => 'stock'], ['turbo', 'pump', 'bottle']);
        $families = [
            ['key' => 'map', 'name' => 'map', 'ceiling_percent' => 60, 'air' => 'map'], ['key' => 'air', 'name' => 'air', 'ceiling_percent' => 12, 'air' => 'intake'],
            ['key' => 'induction', 'name' => 'induction', 'ceiling_percent' => 90, 'air' => 'induction'], ['key' => 'charge', 'name' => 'charge', 'ceiling_percent' => 10, 'air' => 'charge'], ['key' => 'fuel', 'name' => 'fuel', 'ceiling_percent' => 40, 'air' => 'fuel'],
        ];
        $families = array_column($families, null, 'key');
        $kept = array_map(fn (array $slot): array => ['family' => $slot['key'] === 'cooler' ? 'charge' : $slot['family']] + $slot, $document['platform']['slots']);
        $slots[0]['family'] = 'induction';
        $slots[2]['family'] = 'fuel';
        $document['platform'] = [...$document['platform'], 'engine' => $engine, 'baseline' => $curve, 'mass' => 1500, 'ceilings' => [], ...$platform, 'families' => array_values($families), 'slots' => [...$kept, ...$slots]];
        $own = array_column($parts, 'key');
        $document['parts'] = [...$parts, ...array_values(array_filter($document['parts'], fn (array $part): bool => in_array($part['key'], ['map', 'filter', 'pipe'], true) && ! in_array($part['key'], $own, true)))];
        $document['brief']['received'] = ['parts' => [], 'fuel' => $fuel, 'healthy' => true, 'baseline' => $curve];
        $document['brief']['target'] = null;
        $document['brief']['outside'] = ['altitude_m' => 1200, 'hottest_c' => 35];
        $document['plan']['stages'] = array_map(fn (array $fits, int $i): array => ['key' => 's'.($i + 1), 'name' => '', 'fuel' => $fuel, 'changes' => array_map(fn (string $part): array => ['fit' => $part], $fits)], $stages, array_keys($stages));

        return $document;
    }

    /**
     * @param  list<float|int>  $power
     * @param  list<float|int>  $torque
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function gain(array $power, array $torque, array $more = []): array
    {
        return [...['power' => $power, 'torque' => $torque, 'evidence' => self::EVIDENCE], ...$more];
    }

    /**
     * @param  list<string>  $slots
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function part(string $key, array $slots, array $more): array
    {
        return ['key' => $key, 'name' => ucfirst($key), 'maker' => 'Kolvane', 'slots' => $slots, 'price' => ['new' => 100, 'hours' => 1], ...$more];
    }

    /**
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function limit(string $key, string $slot, string $quantity, float $safe, float $edge, array $more = []): array
    {
        return ['key' => $key, 'name' => ucfirst($key), 'slot' => $slot, 'quantity' => $quantity, 'safe' => $safe, 'edge' => $edge, 'consequence' => "the {$key} gives way", 'evidence' => self::EVIDENCE, ...$more];
    }
}
