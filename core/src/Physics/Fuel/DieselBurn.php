<?php

namespace Pebblerun\Core\Physics\Fuel;

/** A diesel's mixture and what it does to the temperature before the turbine. */
final class DieselBurn
{
    /** λ = λ0·a/f: more air leans it out, more fuel enriches it. */
    public static function lambda(float $lambda, float $air, float $fuel): float
    {
        return $lambda * $air / $fuel;
    }

    /**
     * T = T3 + (T0 − T3_0)·λ0/λ.
     *
     * @param  float  $charge  T3, K
     * @param  float  $stock  T0 before the turbine of the stock car, K
     * @param  float  $stockCharge  T3_0, K
     * @param  float  $leaner  λ/λ0
     */
    public static function beforeTurbine(float $charge, float $stock, float $stockCharge, float $leaner): float
    {
        return $charge + ($stock - $stockCharge) / $leaner;
    }

    /** At part load it runs leaner: λ grows with √(full power/asked power). */
    public static function atPartLoad(float $lambda, float $full, float $asked): float
    {
        return $lambda * sqrt(max(1.0, $full / max(1e-9, $asked)));
    }
}
