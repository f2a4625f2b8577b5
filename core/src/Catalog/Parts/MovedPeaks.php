<?php

namespace Pebblerun\Core\Catalog\Parts;

/** Where a gain's peaks stand once the part is in: cams, heads, manifolds. */
final readonly class MovedPeaks
{
    /**
     * @param  float  $power  rpm of the new power peak
     * @param  ?float  $torque  rpm of the new torque peak; null: where it was
     * @param  ?float  $first  gain at the curve's first rpm, −0.08 for 8 % less; null: as it does otherwise
     */
    public function __construct(public float $power, public ?float $torque, public ?float $first) {}
}
