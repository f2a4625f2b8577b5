<?php

namespace Pebblerun\Core\Physics\Fuel;

/**
 * What an engine burns and breathes at full load, over engine speed: straight from the torque peak to the power peak, flat outside.
 *
 * Brake specific consumption in g/kWh: natural petrol 265 → 305, boosted port-injected 300 → 365, boosted direct 280 → 330, diesel
 * 205 → 235; it scales with the inverse of the heating value. λ: boosted petrol 0.95 → 0.87, natural 0.95 → 0.90, diesel 1.27 → 1.45
 * where the platform states none.
 */
final readonly class FullLoad
{
    private const GRAMS_PER_KWH = 3.6e9;

    /** @var array{float, float} */
    public array $consumption;

    /** @var array{float, float} λ at the torque peak and at the power peak */
    public array $lambda;

    /**
     * @param  float  $torqueRpm  r_T
     * @param  float  $powerRpm  r_P
     * @param  ?array{float, float}  $lambda  that the platform states
     */
    public function __construct(public FuelKind $kind, bool $boosted, bool $direct, private float $torqueRpm, private float $powerRpm, ?array $lambda = null)
    {
        [$this->consumption, $usual] = match (true) {
            $kind === FuelKind::Diesel => [[205.0, 235.0], [1.27, 1.45]],
            ! $boosted => [[265.0, 305.0], [0.95, 0.90]],
            $direct => [[280.0, 330.0], [0.95, 0.87]],
            default => [[300.0, 365.0], [0.95, 0.87]],
        };
        $this->lambda = $lambda ?? $usual;
    }

    /** kg of a fuel for each joule at the crank. */
    public function fuelPerJoule(float $rpm, Blend $blend): float
    {
        return $this->between($this->consumption, $rpm) / self::GRAMS_PER_KWH * $blend->perReference();
    }

    /** kg of air for each joule at the crank, on the reference fuel. */
    public function airPerJoule(float $rpm): float
    {
        $blend = $this->kind === FuelKind::Diesel ? Blend::diesel() : Blend::petrol();

        return $this->fuelPerJoule($rpm, $blend) * $blend->stoichiometric * $this->lambdaAt($rpm);
    }

    public function lambdaAt(float $rpm): float
    {
        return $this->between($this->lambda, $rpm);
    }

    /** 0 up to the torque peak, 1 from the power peak on. */
    public function along(float $rpm): float
    {
        return $this->powerRpm <= $this->torqueRpm ? 1.0 : min(1.0, max(0.0, ($rpm - $this->torqueRpm) / ($this->powerRpm - $this->torqueRpm)));
    }

    /** @param  array{float, float}  $pair */
    private function between(array $pair, float $rpm): float
    {
        return $pair[0] + ($pair[1] - $pair[0]) * $this->along($rpm);
    }
}
