<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Units\Rpm;

/** Something to follow along a curve: power × scale + shift at each place. */
final readonly class CurveQuantity
{
    /**
     * @param  list<float>  $scale  0 or more
     * @param  list<float>  $shift
     */
    public function __construct(public array $scale, public array $shift) {}

    /** @param  list<float>  $rpms */
    public static function power(array $rpms): self
    {
        return new self(array_fill(0, count($rpms), 1.0), array_fill(0, count($rpms), 0.0));
    }

    /** @param  list<float>  $rpms */
    public static function torque(array $rpms): self
    {
        return new self(array_map(fn (float $rpm): float => 1.0 / ($rpm * Rpm::OMEGA), $rpms), array_fill(0, count($rpms), 0.0));
    }

    /**
     * @param  non-empty-list<float>  $power  one curve, W
     * @return non-empty-list<float>
     */
    public function along(array $power): array
    {
        $shift = $this->shift;
        $values = [];
        foreach ($this->scale as $place => $scale) {
            $values[] = $power[$place] * $scale + $shift[$place];
        }

        /** @var non-empty-list<float> */
        return $values;
    }
}
