<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Range;

/** The engine of a platform as the factory built it. */
final readonly class PlatformEngine
{
    /** Whether it breathes under pressure. */
    public bool $boosted;

    /**
     * @param  float  $displacement  m³
     * @param  float  $revLimit  rpm
     * @param  bool  $direct  direct injection
     * @param  Combustion  $combustion  under the factory's map
     * @param  ?float  $claimed  W at the crank that the factory claims
     * @param  ?Boost  $boost  under the factory map; null where it is not stated
     * @param  ?Range  $exhaust  K before the turbine at full load under the factory map; null where it is not stated
     */
    public function __construct(
        public Aspiration $aspiration,
        public FuelKind $fuel,
        public float $displacement,
        public float $revLimit,
        public bool $direct = false,
        public Combustion $combustion = new Combustion,
        public ?float $claimed = null,
        public ?Boost $boost = null,
        public ?Range $exhaust = null,
    ) {
        $this->boosted = $aspiration->isBoosted();
    }
}
