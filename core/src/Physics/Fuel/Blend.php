<?php

namespace Pebblerun\Core\Physics\Fuel;

/**
 * Petrol with ethanol, or diesel, as a burning fuel.
 *
 * Densities kg/m³, lower heating values MJ/kg and air for a kilogram: petrol 745, 43.4, 14.7; ethanol 789, 26.8, 9.0; diesel 832,
 * 42.8, 14.5. Blends by mass.
 */
final readonly class Blend
{
    private const PETROL = [745.0, 43.4e6, 14.7];

    private const ETHANOL = [789.0, 26.8e6, 9.0];

    private const DIESEL = [832.0, 42.8e6, 14.5];

    /**
     * @param  float  $density  kg/m³
     * @param  float  $heating  J/kg, lower
     * @param  float  $stoichiometric  kg of air that burn a kilogram
     */
    private function __construct(public FuelKind $kind, public float $density, public float $heating, public float $stoichiometric) {}

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
        $mixed = fn (int $of): float => (1.0 - $mass) * self::PETROL[$of] + $mass * self::ETHANOL[$of];

        return new self(FuelKind::Petrol, $density, $mixed(1), $mixed(2));
    }

    /** How much of it gives the heat of a kilogram of petrol (of diesel for diesel). */
    public function perReference(): float
    {
        return ($this->kind === FuelKind::Diesel ? self::DIESEL[1] : self::PETROL[1]) / $this->heating;
    }
}
