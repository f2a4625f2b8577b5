<?php

namespace Pebblerun\Core\Physics\Fuel;

use Pebblerun\Core\Math\Curve;

/** What a stock car burns on pump fuel (petrol with 5 % ethanol, or diesel) at the power that a pump or injector is said to be good for. */
final readonly class PumpFuel
{
    private const ETHANOL = 5.0;

    private Blend $blend;

    /** @param  float  $powerRpm  of the stock car's power peak */
    private function __construct(private FullLoad $load, public float $powerRpm, private float $lossShare)
    {
        $this->blend = $load->kind === FuelKind::Diesel ? Blend::diesel() : Blend::petrol(self::ETHANOL);
    }

    /**
     * @param  Curve  $baseline  of the stock car
     * @param  float  $lossShare  between crank and wheels
     */
    public static function of(FuelKind $kind, bool $boosted, bool $direct, Curve $baseline, float $lossShare): self
    {
        $peak = $baseline->peakPower()->rpm;

        return new self(new FullLoad($kind, $boosted, $direct, $baseline->fullTorqueFrom(), $peak), $peak, $lossShare);
    }

    /**
     * @param  float  $wheelPower  W
     * @return float m³/s
     */
    public function volume(float $wheelPower): float
    {
        return $wheelPower / (1.0 - $this->lossShare) * $this->perJoule() / $this->blend->density;
    }

    /** W at the wheels that a component carries for good. */
    public function carriedBy(Supply $supply): float
    {
        return $supply->edge($this->powerRpm, 0.0, $this->blend) * $supply->safe() / $this->perJoule() * (1.0 - $this->lossShare);
    }

    /** g/kWh at the crank. */
    public function consumption(): float
    {
        return 3.6e9 * $this->perJoule();
    }

    private function perJoule(): float
    {
        return $this->load->fuelPerJoule($this->powerRpm, $this->blend);
    }
}
