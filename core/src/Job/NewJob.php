<?php

namespace Pebblerun\Core\Job;

/** What a new job begins with: the newest car of the platform on the first fuel it burns, and one empty stage. */
final class NewJob
{
    /**
     * @param  array<string, mixed>  $platform  the platform document without its head
     * @param  array<string, mixed>  $shop  the shop document without its head
     * @param  list<string>  $fitted  keys of what is on the car already
     * @param  ?string  $tank  key of the fuel in its tank, where somebody knows it
     * @return array{array<string, mixed>, array{name: string, stages: list<array{key: string, name: string, fuel: string, changes: list<never>}>}} brief and plan
     */
    public static function of(array $platform, array $shop, array $fitted = [], ?string $tank = null): array
    {
        $kind = $platform['engine']['fuel'];
        $fuel = 'none';
        foreach ($shop['fuels'] as $one) {
            if (($one['kind'] ?? 'petrol') === $kind && ($fuel === 'none' || $one['key'] === $tank)) {
                $fuel = $one['key'];
            }
        }

        return [
            ['car' => ['year' => $platform['years']['to'], 'gearbox' => $platform['gearbox'] ?? 'manual'], 'received' => ['parts' => $fitted, 'fuel' => $fuel]],
            ['name' => 'First plan', 'stages' => [['key' => 's1', 'name' => '', 'fuel' => $fuel, 'changes' => []]]],
        ];
    }

    /**
     * A platform and its parts as a bundle: a stock car with the gearbox that it was measured with and nothing planned, which shows what one document says of the other.
     *
     * @param  array<string, mixed>  $platform
     * @param  list<array<string, mixed>>  $parts
     * @param  array<string, mixed>  $shop
     * @param  array<string, string>  $units
     * @param  ?int  $year  of the car; null for the newest
     * @return array<string, mixed>
     */
    public static function bundle(array $platform, array $parts, array $shop, array $units, ?int $year = null): array
    {
        [$brief, $plan] = self::of($platform, $shop);
        $brief['car'] = ['year' => $year ?? $brief['car']['year'], 'gearbox' => $platform['gearbox'] ?? 'manual'];

        return ['units' => $units, 'shop' => $shop, 'platform' => $platform, 'parts' => $parts, 'brief' => $brief, 'plan' => $plan];
    }
}
