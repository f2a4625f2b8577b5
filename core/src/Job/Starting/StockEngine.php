<?php

namespace Pebblerun\Core\Job\Starting;

use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\FullLoad;
use Pebblerun\Core\Units\Rpm;

/** The stock engine of a new platform as far as its answers tell it, at the crank: what typical figures are made from. */
final readonly class StockEngine
{
    private const GAS_CONSTANT = 287.05;

    /** What such engines fill, of the air that stands before their valves; and how warm it is there, K. */
    private const FILLING = 0.95;

    private const CHARGE = 325.0;

    private const AMBIENT = 99_000.0;

    private FullLoad $load;

    /**
     * @param  float  $displacement  m³
     * @param  array{float, float}  $power  W and rpm
     * @param  array{float, float}  $torque  N·m and rpm
     */
    public function __construct(public EngineKind $kind, private float $displacement, bool $direct, public array $power, public array $torque, public float $revLimit)
    {
        $this->load = new FullLoad($kind === EngineKind::Diesel ? FuelKind::Diesel : FuelKind::Petrol, $kind->boosted(), $direct, $torque[1], $power[1]);
    }

    /** kg/s at the power peak. */
    public function air(): float
    {
        return $this->power[0] * $this->load->airPerJoule($this->power[1]);
    }

    /** Fuel for each revolution at the torque peak over that at the power peak, 1 at least: what a pump must give that the engine turns. */
    public function fuelOfTorque(): float
    {
        $perTurn = fn (float $torque, float $rpm): float => $torque * $this->load->airPerJoule($rpm) / $this->load->lambdaAt($rpm);

        return max(1.0, $perTurn(...$this->torque) / $perTurn($this->power[0] / ($this->power[1] * Rpm::OMEGA), $this->power[1]));
    }

    /**
     * What its torque and its power ask for.
     *
     * @return array{float, float} Pa over the outside air, at the torque peak and at the power peak
     */
    public function boost(): array
    {
        $filled = fn (float $watts, float $rpm): float => $watts * $this->load->airPerJoule($rpm) * self::GAS_CONSTANT * self::CHARGE / ($this->displacement * $rpm / 120.0 * self::FILLING) - self::AMBIENT;

        return [$filled($this->torque[0] * $this->torque[1] * Rpm::OMEGA, $this->torque[1]), $filled(...$this->power)];
    }
}
