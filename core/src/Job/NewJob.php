<?php

namespace Pebblerun\Core\Job;

/** What a new job begins with: the newest car of the platform on the first fuel it burns, and one empty stage. */
final class NewJob
{
    /**
     * @param  array<string, mixed>  $platform  the platform document without its head
     * @param  array<string, mixed>  $shop  the shop document without its head
     * @return array{array<string, mixed>, array{name: string, stages: list<array{key: string, name: string, fuel: string, changes: list<never>}>}} brief and plan
     */
    public static function of(array $platform, array $shop): array
    {
        $kind = $platform['engine']['fuel'];
        $fuel = 'none';
        foreach ($shop['fuels'] as $one) {
            if (($one['kind'] ?? 'petrol') === $kind) {
                $fuel = $one['key'];
                break;
            }
        }

        return [
            ['car' => ['year' => $platform['years']['to'], 'gearbox' => 'manual'], 'received' => ['parts' => [], 'fuel' => $fuel]],
            ['name' => 'First plan', 'stages' => [['key' => 's1', 'name' => '', 'fuel' => $fuel, 'changes' => []]]],
        ];
    }
}
