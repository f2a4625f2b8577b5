<?php

namespace Pebblerun\Core\Physics\Fuel;

/** A diesel's mixture and what it does to the temperature before the turbine. */
final class DieselBurn
{
    /** λ below which fuel finds no air: it is smoke and heat, and no power. */
    private const LEAST = 1.05;

    /** λ from which on more fuel makes nothing hotter. */
    private const HOTTEST = 1.0;

    /**
     * Share of the fuel that burns: min(fuel, fuel0·a·λ0/1.05) of it. Fuel 1.5 with air 1.1 and λ0 1.27 burns 1.3305.
     *
     * @param  float  $lambda  λ0 of the stock car
     * @param  float  $air  a, against it
     * @param  float  $fuel  against it
     */
    public static function burns(float $lambda, float $air, float $fuel): float
    {
        $most = $air * $lambda / self::LEAST;

        return $fuel <= $most ? 1.0 : $most / $fuel;
    }

    /** λ = λ0·a/f: more air leans it out, more fuel enriches it. */
    public static function lambda(float $lambda, float $air, float $fuel): float
    {
        return $lambda * $air / $fuel;
    }

    /**
     * T = T3 + (T0 − T3_0)·λ0/λ, λ at least 1.
     *
     * @param  float  $charge  T3, K
     * @param  float  $stock  T0 before the turbine of the stock car, K
     * @param  float  $stockCharge  T3_0, K
     * @param  float  $lambda  λ
     * @param  float  $stockLambda  λ0
     */
    public static function beforeTurbine(float $charge, float $stock, float $stockCharge, float $lambda, float $stockLambda): float
    {
        return $charge + ($stock - $stockCharge) * $stockLambda / max(self::HOTTEST, $lambda);
    }

    /** λ at which it is no hotter than that before the turbine: what beforeTurbine() says, turned round. */
    public static function lambdaFor(float $most, float $charge, float $stock, float $stockCharge, float $stockLambda): float
    {
        return $stockLambda * ($stock - $stockCharge) / max(1.0, $most - $charge);
    }

    /** At part load it runs leaner: λ grows with √(full power/asked power). */
    public static function atPartLoad(float $lambda, float $full, float $asked): float
    {
        return $lambda * sqrt(max(1.0, $full / max(1e-9, $asked)));
    }
}
