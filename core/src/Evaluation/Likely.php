<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Units\Rpm;

/** The likely curve of a build, without draws. */
final readonly class Likely
{
    /** W at the wheels. */
    public float $peakPower;

    /** N·m at the wheels. */
    public float $peakTorque;

    /**
     * @param  SpeedGrid  $grid  every speed up to the curve's end
     * @param  non-empty-list<float>  $engine  W that the engine makes, as the stock driveline brings it to the wheels
     * @param  non-empty-list<float>  $wheels  W at the wheels
     * @param  non-empty-list<float>  $asked  W that it would make if there were always enough fuel
     */
    public function __construct(public SpeedGrid $grid, public array $engine, public array $wheels, public array $asked)
    {
        $torque = 0.0;
        foreach ($wheels as $i => $watts) {
            $here = $watts / $grid->rpms[$i];
            if ($here > $torque) {
                $torque = $here;
            }
        }
        $this->peakPower = max($wheels);
        $this->peakTorque = $torque / Rpm::OMEGA;
    }

    /** Where the engine makes most. */
    public function topRpm(): float
    {
        return $this->grid->rpms[Peak::place($this->engine)];
    }

    /** @return non-empty-list<float> N·m at the wheels */
    public function torque(): array
    {
        $torque = [];
        foreach ($this->wheels as $i => $watts) {
            $torque[] = $watts / ($this->grid->rpms[$i] * Rpm::OMEGA);
        }

        /** @var non-empty-list<float> */
        return $torque;
    }
}
