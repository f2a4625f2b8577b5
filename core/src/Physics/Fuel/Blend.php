<?php

namespace Pebblerun\Core\Physics\Fuel;

/**
 * Petrol with ethanol, or diesel, as a burning fuel.
 *
 * Densities kg/m³ and lower heating values MJ/kg: petrol 745, 43.4; ethanol 789, 26.8; diesel 832, 42.8. Blends by mass.
 */
final readonly class Blend
{
    private const PETROL = [745.0, 43.4e6];

    private const ETHANOL = [789.0, 26.8e6];

    private const DIESEL = [832.0, 42.8e6];

    /**
     * @param  float  $density  kg/m³
     * @param  float  $heating  J/kg, lower
     */
    private function __construct(public FuelKind $kind, public float $density, public float $heating) {}

    public static function diesel(): self
    {
        return new self(FuelKind::Diesel, ...self::DIESEL);
    }

    /** @param  float  $ethanol  percent by volume, 0–100 */
    public static function petrol(float $ethanol = 0.0): self
    {
        $share = $ethanol / 100.0;
        $density = (1.0 - $share) * self::PETROL[0] + $share * self::ETHANOL[0];
        $mass = $share * self::ETHANOL[0] / $density;

        return new self(FuelKind::Petrol, $density, (1.0 - $mass) * self::PETROL[1] + $mass * self::ETHANOL[1]);
    }

    /** How much of it gives the heat of a kilogram of petrol (of diesel for diesel). */
    public function perReference(): float
    {
        return ($this->kind === FuelKind::Diesel ? self::DIESEL[1] : self::PETROL[1]) / $this->heating;
    }
}
