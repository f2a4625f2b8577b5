<?php

namespace Pebblerun\Core\Evaluation\Engine;

/** What the platform's figures say of a car as it was received, in the shop's frame: W, N·m and rpm. */
final readonly class ExpectedPeaks
{
    public function __construct(public float $power, public float $torque, public float $revLimit) {}
}
