<?php

namespace Pebblerun\Core\Physics\Fuel;

/**
 * Fuel burnt for crank power at full load: brake specific consumption in g/kWh. Natural petrol 305, boosted
 * port-injected 365, boosted direct 330, diesel 235; scales with the inverse of the heating value.
 */
final class Consumption
{
    private const GRAMS_PER_KWH = 3.6e9;

    /** @return float kg of this fuel for each joule at the crank */
    public static function perJoule(Blend $blend, bool $boosted, bool $direct): float
    {
        $specific = match (true) {
            $blend->kind === FuelKind::Diesel => 235.0,
            ! $boosted => 305.0,
            $direct => 330.0,
            default => 365.0,
        };

        return $specific / self::GRAMS_PER_KWH * $blend->perReference();
    }

    /**
     * Crank power in W that port injectors carry.
     *
     * @param  int  $count  injectors
     * @param  float  $flow  m³/s each, at the rated pressure
     * @param  float  $pressureRatio  working over rated pressure difference, against the manifold
     * @param  float  $duty  0–1; 0.85 is the usual most
     * @param  float  $perJoule  kg for each joule at the crank
     */
    public static function powerOfInjectors(int $count, float $flow, float $pressureRatio, Blend $blend, float $duty, float $perJoule): float
    {
        return $count * $flow * sqrt($pressureRatio) * $blend->density * $duty / $perJoule;
    }
}
