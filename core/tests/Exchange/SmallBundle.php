<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;

/** A small sound bundle to change one thing of: five slots, a kit, two maps, in hp and lb-ft. */
final class SmallBundle
{
    /** @param  array<string, mixed>  $document */
    public static function estimate(array $document): Estimate
    {
        return Estimate::of(BundleReader::read($document)->bundle);
    }

    /** @return array<string, mixed> */
    public static function document(): array
    {
        $evidence = ['kind' => 'shop-dyno', 'note' => 'three cars'];
        $part = fn (string $key, array $slots, array $more): array => ['key' => $key, 'name' => ucfirst($key), 'maker' => 'Kolvane', 'slots' => $slots, 'price' => ['new' => 100, 'hours' => 1], ...$more];
        $gain = fn (array $power, array $torque, array $more = []): array => ['power' => $power, 'torque' => $torque, 'evidence' => $evidence, ...$more];

        return [
            'units' => ['power' => 'hp', 'torque' => 'lb-ft', 'pressure' => 'bar', 'temperature' => 'C'],
            'shop' => ['currency' => 'EUR', 'labour_rate' => 85, 'dyno_rate' => 60, 'tax_percent' => 20, 'reserve_percent' => 8, 'fuels' => [
                ['key' => 'pump', 'name' => 'Pump 98', 'octane' => 98, 'ethanol_percent' => [0, 5, 10]],
                ['key' => 'strong', 'name' => 'Strong blend', 'octane' => 104, 'ethanol_percent' => [43, 50, 57]],
                ['key' => 'diesel', 'name' => 'Diesel', 'kind' => 'diesel'],
            ]],
            'platform' => [
                'key' => 'small', 'name' => 'Small', 'years' => ['from' => 2010, 'to' => 2024], 'drive' => 'front', 'rev_limit' => 6500,
                'engine' => ['displacement' => 1.6, 'cylinders' => 3, 'aspiration' => 'turbo', 'injection' => 'direct', 'fuel' => 'petrol'],
                'baseline' => ['points' => [['rpm' => 1500, 'torque' => 133], ['rpm' => 2500, 'torque' => 221], ['rpm' => 4500, 'torque' => 221], ['rpm' => 5800, 'torque' => 193], ['rpm' => 6500, 'torque' => 159]]],
                'lanes' => [['key' => 'map', 'name' => 'Map'], ['key' => 'air', 'name' => 'Air'], ['key' => 'inside', 'name' => 'Inside']],
                'families' => [['key' => 'map', 'name' => 'map', 'ceiling_percent' => 60], ['key' => 'air', 'name' => 'air', 'ceiling_percent' => 10]],
                'slots' => [
                    ['key' => 'map', 'name' => 'Map', 'lane' => 'map', 'family' => 'map', 'stock' => 'factory'],
                    ['key' => 'filter', 'name' => 'Filter', 'lane' => 'air', 'family' => 'air', 'stock' => 'paper'],
                    ['key' => 'pipe', 'name' => 'Pipe', 'lane' => 'air', 'family' => 'air', 'stock' => 'rubber'],
                    ['key' => 'cooler', 'name' => 'Cooler', 'lane' => 'air', 'family' => 'air', 'stock' => 'small'],
                    ['key' => 'rods', 'name' => 'Rods', 'lane' => 'inside', 'family' => 'air', 'stock' => 'cast', 'internal' => true],
                ],
                'limits' => [['key' => 'rods', 'name' => 'Rods', 'slot' => 'rods', 'quantity' => 'wheel-torque', 'over_rpm' => [['rpm' => 1500, 'safe' => 300, 'edge' => 340], ['rpm' => 4000, 'safe' => 330, 'edge' => 370]], 'moved' => ['dyno' => 1.02], 'consequence' => 'a rod bends', 'evidence' => $evidence]],
                'ceilings' => [['key' => 'flow', 'name' => 'Flow', 'kind' => 'soft', 'quantity' => 'power', 'at' => 'wheels', 'value' => [260, 270, 280], 'evidence' => $evidence]],
            ],
            'parts' => [
                $part('map', ['map'], ['map' => ['kind' => 'dyno', 'dyno_hours' => 2], 'gains' => [$gain([20, 30, 40], [30, 45, 60])], 'cautions' => ['dyno']]),
                $part('filter', ['filter'], ['gains' => [$gain([1, 3, 5], [1, 2, 4])], 'recommends' => [['that' => ['slot' => 'pipe', 'is' => 'upgraded'], 'reason' => 'the rubber pipe collapses.']]]),
                $part('pipe', ['pipe'], ['gains' => [$gain([1, 2, 4], [1, 2, 4])]]),
                $part('cooler', ['cooler'], ['gains' => [$gain([2, 4, 8], [2, 4, 8])], 'requires' => [['that' => ['part' => 'pipe'], 'reason' => 'the rubber pipe does not reach.']], 'cautions' => ['lifting', 'cutting']]),
                $part('kit', ['filter', 'pipe'], ['contains' => ['filter', 'pipe'], 'gains' => [$gain([3, 6, 9], [2, 5, 8])]]),
                $part('late', ['cooler'], ['unmapped' => 'do-not-run', 'gains' => [$gain([5, 8, 12], [4, 8, 12])]]),
            ],
            'brief' => ['car' => ['year' => 2020, 'gearbox' => 'manual'], 'received' => ['parts' => [], 'fuel' => 'pump', 'healthy' => true, 'baseline' => ['points' => [['rpm' => 1500, 'torque' => 133], ['rpm' => 2500, 'torque' => 221], ['rpm' => 4500, 'torque' => 221], ['rpm' => 5800, 'torque' => 193], ['rpm' => 6500, 'torque' => 159]]]], 'target' => ['power' => 250], 'budget' => ['total' => 3000]],
            'plan' => ['name' => 'Plan', 'stages' => [
                ['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => [['fit' => 'map'], ['fit' => 'filter']]],
                ['key' => 's2', 'name' => 'two', 'fuel' => 'pump', 'changes' => [['fit' => 'cooler']]],
            ]],
        ];
    }

    /**
     * The same with one place changed.
     *
     * @param  string  $path  such as parts.0.price.new
     * @return array<string, mixed>
     */
    public static function with(string $path, mixed $value): array
    {
        return self::change(self::document(), $path, $value);
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    public static function change(array $document, string $path, mixed $value): array
    {
        $place = &$document;
        foreach (explode('.', $path) as $step) {
            $place = &$place[$step];
        }
        $place = $value;

        return $document;
    }
}
