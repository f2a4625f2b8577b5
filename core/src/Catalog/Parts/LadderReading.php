<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\Range;

/** Where a gain was read between cases that were measured at other ethanol contents. */
final readonly class LadderReading
{
    /**
     * @param  list<float>  $contents  percent by volume of the measured cases, rising
     * @param  Range  $at  percent of the fuel it was read for
     * @param  bool  $follows  whether the map follows the content by a sensor
     */
    public function __construct(public array $contents, public Range $at, public bool $follows) {}
}
