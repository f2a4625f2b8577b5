<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;

/** What of a platform is no engine. */
final readonly class PlatformBody
{
    /**
     * @param  Gearbox  $gearbox  that the baseline was read with
     * @param  ?float  $mass  kg with driver; null where it is not stated
     * @param  ?float  $dragArea  m², drag coefficient times frontal area; null where it is not stated
     */
    public function __construct(public Drive $drive, public Gearbox $gearbox = Gearbox::Manual, public ?float $mass = null, public ?float $dragArea = null) {}
}
