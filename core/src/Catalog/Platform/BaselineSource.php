<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Physics\Dyno\Frame;

/** Where a platform's curve was read, and on what. */
final readonly class BaselineSource
{
    /**
     * @param  Frame  $frame  that its figures had before they were brought to the shop's own
     * @param  bool  $onReceivedFuel  read on the fuel that the car came with, and not on what the factory's map needs
     */
    public function __construct(public Frame $frame, public bool $onReceivedFuel = false) {}
}
