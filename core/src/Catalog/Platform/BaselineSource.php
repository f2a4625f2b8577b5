<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Physics\Dyno\Frame;

/** Where a platform's curve was read, and on what. */
final readonly class BaselineSource
{
    /** From the middle of a range to its P90, in standard deviations: a range reaches from P10 to P90. */
    private const P90 = 1.2815515655;

    /**
     * @param  Frame  $frame  that its figures had before they were brought to the shop's own
     * @param  bool  $onReceivedFuel  read on the fuel that the car came with, and not on what the factory's map needs
     */
    public function __construct(public Frame $frame, public bool $onReceivedFuel = false) {}

    /** Of the whole curve, as a share: what the factor between two dynos leaves open. */
    public function doubt(): float
    {
        $factor = $this->frame->factor;

        return $factor === null ? 0.0 : ($factor->high - $factor->low) / (2.0 * self::P90 * $factor->likely);
    }
}
