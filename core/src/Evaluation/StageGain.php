<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Parts\Part;

/** What one change of a stage adds to it. */
final readonly class StageGain
{
    /**
     * @param  ?string  $slot  the first that it changes; null for the fuel
     * @param  ?Part  $part  null for the fuel, and where a part was taken out
     * @param  float  $power  W at the peak
     * @param  float  $torque  N·m at the peak
     */
    public function __construct(public ?string $slot, public ?Part $part, public float $power, public float $torque) {}

    public function plus(float $power, float $torque): self
    {
        return new self($this->slot, $this->part, $this->power + $power, $this->torque + $torque);
    }
}
