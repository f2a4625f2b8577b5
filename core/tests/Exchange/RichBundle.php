<?php

namespace Pebblerun\Core\Tests\Exchange;

/** A bundle that uses everything the format can say, and variants of it. */
final class RichBundle
{
    /** @return array<string, array<string, mixed>> bundle documents by name */
    public static function variants(): array
    {
        $rich = self::document();
        $fits = fn (string ...$keys): array => array_map(fn (string $key): array => ['fit' => $key], array_values($keys));
        $with = fn (array $changes): array => array_reduce(array_keys($changes), fn (array $document, string $path): array => SmallBundle::change($document, $path, $changes[$path]), $rich);
        $diesel = $with(['platform.engine.fuel' => 'diesel', 'brief.received.fuel' => 'diesel', 'brief.fuels' => ['diesel']]);
        foreach (array_keys($diesel['plan']['stages']) as $stage) {
            $diesel['plan']['stages'][$stage]['fuel'] = 'diesel';
        }

        return [
            'rich' => $rich,
            'plain sum, second-hand, constant loss' => $with(['plan.settings' => ['stacking' => 'sum', 'price_basis' => 'used', 'loss' => 'constant'], 'brief.car.gearbox' => 'automatic', 'brief.target' => ['torque' => 320, 'at_rpm' => 3200], 'brief.risk' => 'bold']),
            'compound, short of money, on the road' => $with(['plan.settings' => ['stacking' => 'compound'], 'brief.budget' => ['total' => 1500, 'now' => 700, 'monthly' => 150], 'brief.use' => 'road', 'brief.risk' => 'cautious', 'brief.refuses' => ['cutting', 'lag'], 'brief.noise' => 'as-stock', 'brief.inspection' => 'strict', 'brief.warranty' => 'running']),
            'just out of reach, one fuel' => $with(['brief.target' => ['power' => 300], 'brief.fuels' => ['pump'], 'brief.use' => 'track', 'brief.budget' => ['total' => 20000], 'brief.received.checks' => ['plugs' => 'good', 'compression' => 'bad']]),
            'a sketched baseline and a time' => $with(['brief.received' => ['parts' => ['filter'], 'fuel' => 'pump', 'unknown' => ['pipe']], 'brief.target' => ['quarter_mile' => 13.2], 'brief.car.measured_loss' => null, 'platform.baseline' => ['peaks' => ['lowest_rpm' => 1500, 'torque' => ['rpm' => 2500, 'value' => 221], 'power' => ['rpm' => 5800, 'value' => 213], 'redline' => 6500]]]),
            'natural, all wheels, no air side' => $with(['platform.engine.aspiration' => 'natural', 'platform.engine.injection' => 'port', 'platform.drive' => 'all', 'platform.air' => null, 'platform.boost' => null, 'brief.car.measured_loss' => null]),
            'diesel' => $diesel,
            'modest, every line nearly met' => $with([
                'brief.target' => ['power' => 253], 'brief.budget' => ['total' => 2100], 'brief.fuels' => ['pump', 'plain'], 'brief.use' => 'road', 'brief.refuses' => [],
                'platform.limits' => [SmallBundle::change($rich['platform']['limits'][0], 'over_rpm', [['rpm' => 1500, 'safe' => 285, 'edge' => 340], ['rpm' => 4000, 'safe' => 300, 'edge' => 370]])],
                'plan.stages' => [
                    ['key' => 's1', 'name' => 'air', 'fuel' => 'pump', 'changes' => $fits('filter', 'pipe')],
                    ['key' => 's2', 'name' => 'map', 'fuel' => 'pump', 'changes' => $fits('cooler', 'map')],
                ],
            ]),
            'three small stages, nothing asked' => $with([
                'brief' => ['car' => ['year' => 2020, 'gearbox' => 'dual-clutch'], 'received' => ['parts' => ['mailed'], 'fuel' => 'plain', 'healthy' => true]],
                'plan.stages' => [
                    ['key' => 's1', 'name' => 'one', 'fuel' => 'plain', 'changes' => $fits('filter')],
                    ['key' => 's2', 'name' => 'two', 'fuel' => 'pump', 'changes' => $fits('pipe', 'mailed')],
                    ['key' => 's3', 'name' => 'three', 'fuel' => 'pump', 'changes' => [...$fits('flywheel', 'pump'), ['remove' => 'pipe']]],
                ],
            ]),
        ];
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        $document = SmallBundle::document();
        $maker = ['kind' => 'maker', 'note' => 'their own dyno'];
        $gain = fn (array $power, array $torque, array $more = []): array => ['power' => $power, 'torque' => $torque, 'evidence' => $maker, ...$more];
        $limit = fn (string $key, string $slot, string $quantity, float $safe, float $edge, array $more = []): array => ['key' => $key, 'name' => ucfirst($key), 'slot' => $slot, 'quantity' => $quantity, 'safe' => $safe, 'edge' => $edge, 'consequence' => "the {$key} gives way", 'evidence' => $maker, ...$more];
        $part = fn (string $key, array $slots, array $price, array $more): array => ['key' => $key, 'name' => ucfirst($key), 'maker' => 'Kolvane', 'slots' => $slots, 'price' => $price, ...$more];
        $fits = fn (string ...$keys): array => array_map(fn (string $key): array => ['fit' => $key], array_values($keys));

        $document['shop']['dyno_factors'] = [['dyno' => 'hub', 'factor' => [0.93, 0.95, 0.97]]];
        $document['shop']['fuels'][] = ['key' => 'plain', 'name' => 'Pump 95', 'octane' => 95, 'ethanol_percent' => [0, 8, 10]];
        $document['platform'] = [
            ...$document['platform'],
            'mass' => 1385,
            'boost' => ['at_torque' => [0.8, 0.9, 1.0], 'at_power' => [0.6, 0.7, 0.8]],
            'exhaust' => [820, 850, 880],
            'air' => ['compressor_efficiency' => 0.7, 'cooler' => ['effectiveness' => 0.68, 'capacity_kj_k' => 5, 'ua_w_k' => 130]],
            'families' => [
                ['key' => 'map', 'name' => 'map', 'ceiling_percent' => 60],
                ['key' => 'air', 'name' => 'air', 'ceiling_percent' => 10, 'otherwise' => [['when' => ['tag' => 'bigger-turbo'], 'ceiling_percent' => 16]]],
                ['key' => 'drive', 'name' => 'drive', 'ceiling_percent' => 3, 'driveline' => true],
            ],
            'slots' => [
                ...$document['platform']['slots'],
                ['key' => 'turbo', 'name' => 'Turbo', 'lane' => 'air', 'family' => 'map', 'stock' => 'small'],
                ['key' => 'pump', 'name' => 'Pump', 'lane' => 'inside', 'family' => 'air', 'stock' => 'stock'],
                ['key' => 'bottle', 'name' => 'Bottle', 'lane' => 'inside', 'family' => 'air', 'stock' => 'none'],
                ['key' => 'flywheel', 'name' => 'Flywheel', 'lane' => 'inside', 'family' => 'drive', 'stock' => 'heavy'],
            ],
            'limits' => [
                ...$document['platform']['limits'],
                $limit('crank-torque', 'rods', 'crank-torque', 330, 400, ['moved' => ['dyno' => 1.04, 'remote' => 1.01]]),
                $limit('crank-power', 'rods', 'crank-power', 280, 340),
                $limit('clutch', 'flywheel', 'wheel-power', 270, 320),
                $limit('valves', 'rods', 'engine-speed', 6600, 7200),
                $limit('pipe', 'pipe', 'boost', 1.5, 1.9),
                $limit('injectors', 'pump', 'fuel-flow', 82, 96),
                $limit('charge', 'cooler', 'charge-temperature', 62, 75),
                $limit('turbine', 'turbo', 'exhaust-temperature', 930, 980),
            ],
            'ceilings' => [
                ['key' => 'flow', 'name' => 'Flow', 'kind' => 'soft', 'quantity' => 'power', 'at' => 'wheels', 'value' => [255, 265, 275], 'when' => ['slot' => 'turbo', 'is' => 'stock'], 'evidence' => $maker],
                ['key' => 'fuel', 'name' => 'Fuel', 'kind' => 'hard', 'quantity' => 'power', 'at' => 'crank', 'over_rpm' => [['rpm' => 2000, 'value' => [230, 240, 250]], ['rpm' => 6000, 'value' => [290, 305, 320]]], 'when' => ['slot' => 'pump', 'is' => 'stock'], 'evidence' => $maker],
                ['key' => 'gearbox', 'name' => 'Gearbox', 'kind' => 'hard', 'quantity' => 'torque', 'at' => 'wheels', 'value' => [330, 340, 350], 'evidence' => $maker],
            ],
        ];
        $document['parts'] = [
            $part('map', ['map'], ['new' => [380, 400, 450], 'as_of' => '2026-03-01'], ['map' => ['kind' => 'dyno', 'dyno_hours' => 2.5], 'gains' => [
                $gain([20, 30, 40], [30, 45, 60], ['at_ethanol' => 5, 'boost' => ['at_torque' => [1.1, 1.2, 1.3], 'at_power' => [0.9, 1.0, 1.1]], 'exhaust' => [860, 890, 920]]),
                $gain([30, 46, 60], [40, 62, 80], ['at_ethanol' => 50, 'boost' => ['at_torque' => [1.2, 1.35, 1.5], 'at_power' => [1.0, 1.1, 1.25]], 'exhaust' => [850, 880, 910]]),
            ], 'cautions' => ['dyno']]),
            $part('mailed', ['map'], ['new' => 300, 'used' => 150, 'as_of' => '2026-05-01'], ['map' => ['kind' => 'off-the-shelf', 'covers' => ['filter', 'kit']], 'gains' => [
                $gain([12, 20, 28], [20, 30, 40], ['when' => ['octane' => ['at_least' => 98]]]),
                $gain([8, 14, 20], [14, 22, 30]),
            ]]),
            $part('filter', ['filter'], ['new' => 120, 'used' => 60, 'hours' => 0.5], ['tags' => ['louder'], 'gains' => [
                $gain([2, 4, 6], [1, 3, 4], ['when' => ['map' => ['dyno', 'off-the-shelf']], 'reference' => ['power' => 230, 'torque' => 250]]),
                $gain([1, 2, 3], [0, 1, 2]),
            ], 'recommends' => [['that' => ['slot' => 'pipe', 'is' => 'upgraded'], 'reason' => 'the rubber pipe collapses.']]]),
            $part('pipe', ['pipe'], ['new' => [90, 110, 130], 'hours' => 1, 'access_hours' => 0.75, 'access_group' => 'front'], ['gains' => [['over_rpm' => [['rpm' => 2000, 'power' => [0, 1, 2]], ['rpm' => 5500, 'power' => [2, 4, 6]]], 'evidence' => $maker, 'frame' => ['at' => 'crank', 'dyno' => 'hub']]], 'effects' => ['limits' => [$limit('pipe-own', 'pipe', 'boost', 2.2, 2.6)], 'mass' => -1.5]]),
            $part('kit', ['filter', 'pipe'], ['new' => 260, 'used' => 200, 'hours' => 1.5], ['contains' => ['filter', 'pipe'], 'gains' => [$gain([4, 7, 10], [3, 6, 9])]]),
            $part('cooler', ['cooler'], ['new' => 480, 'consumables' => 25, 'hours' => 3, 'access_hours' => 2, 'access_group' => 'front', 'resale' => 120], ['gains' => [$gain([2, 5, 8], [3, 5, 8], ['frame' => ['dyno' => 'hub']])], 'effects' => ['cooler' => ['effectiveness' => 0.8, 'capacity_kj_k' => 11, 'ua_w_k' => 420], 'mass' => 6], 'requires' => [['that' => ['part' => 'pipe'], 'reason' => 'the rubber pipe does not reach.']], 'cautions' => ['lifting', 'cutting']]),
            $part('turbo', ['turbo'], ['new' => 1400, 'used' => 900, 'hours' => 6], ['tags' => ['bigger-turbo'], 'unmapped' => 'do-not-run', 'gains' => [$gain([30, 50, 70], [-10, 5, 20], ['when' => ['all' => [['map' => 'dyno'], ['none' => [['part' => 'mailed']]]]]])], 'effects' => ['spool_rpm' => [200, 350, 500], 'rev_limit' => 6900, 'exhaust' => [-30, -20, -10], 'ceilings' => [['key' => 'bigger', 'name' => 'Bigger flow', 'kind' => 'soft', 'quantity' => 'power', 'at' => 'wheels', 'value' => [330, 345, 360], 'evidence' => $maker]], 'limits' => [$limit('turbine-own', 'turbo', 'exhaust-temperature', 980, 1040)]], 'requires' => [['that' => ['any' => [['slot' => 'cooler', 'is' => 'upgraded'], ['ethanol' => ['at_least' => 30]]]], 'when' => ['use' => 'track'], 'reason' => 'it runs hot.']]]),
            $part('pump', ['pump'], ['new' => 350, 'hours' => 2, 'as_of' => '2026-01-15'], ['effects' => ['limits' => [$limit('pump-own', 'pump', 'fuel-flow', 120, 140)]]]),
            $part('rods', ['rods'], ['new' => 800, 'hours' => 20], ['effects' => ['limits' => [$limit('rods-own', 'rods', 'wheel-torque', 420, 480)]], 'conflicts' => [['that' => ['part' => 'bottle'], 'when' => ['octane' => ['at_least' => 100]], 'reason' => 'they were not tried together.']]]),
            $part('bottle', ['bottle'], ['new' => 500, 'hours' => 4], ['effects' => ['added_power' => [['from_rpm' => 3000, 'to_rpm' => 6200, 'power' => [30, 40, 45]]]], 'law' => ['track_only' => true, 'note' => 'closed courses only.'], 'cautions' => ['nitrous']]),
            $part('flywheel', ['flywheel'], ['new' => 300, 'hours' => 6], ['gains' => [$gain([1, 2, 3], [1, 2, 3], ['unmapped' => 1.0])], 'effects' => ['mass' => -4, 'limits' => [$limit('flywheel-own', 'flywheel', 'wheel-power', 330, 380)]]]),
        ];
        $document['brief'] = [
            ...$document['brief'],
            'car' => ['year' => 2020, 'gearbox' => 'manual', 'measured_loss' => ['crank_power' => 250, 'wheel_power' => 210]],
            'use' => 'track', 'target' => ['power' => 280], 'budget' => ['total' => 6000, 'now' => 1200, 'monthly' => 300],
            'rpm_range' => ['from' => 2500, 'to' => 5500], 'fuels' => ['pump', 'strong'], 'risk' => 'normal', 'refuses' => ['lag'],
        ];
        $document['plan'] = ['name' => 'Rich', 'stages' => [
            ['key' => 's1', 'name' => 'air', 'fuel' => 'plain', 'changes' => [['fit' => 'kit'], ['fit' => 'mailed', 'basis' => 'used']]],
            ['key' => 's2', 'name' => 'map', 'fuel' => 'pump', 'changes' => [['fit' => 'cooler', 'agreed' => 430], ['fit' => 'pipe', 'quantity' => 2], ['fit' => 'map']]],
            ['key' => 's3', 'name' => 'turbo', 'fuel' => 'strong', 'changes' => [...$fits('turbo', 'pump', 'map'), ['fit' => 'flywheel', 'basis' => 'owned']]],
            ['key' => 's4', 'name' => 'rest', 'fuel' => 'strong', 'changes' => [...$fits('bottle', 'rods'), ['remove' => 'filter'], ['fit' => 'filter', 'bought' => true]]],
        ]];

        return $document;
    }
}
