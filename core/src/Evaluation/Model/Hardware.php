<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Parts\PressureRatio;
use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Units\Range;

/** What stands in the way of air and fuel: the platform's own, or what a part brought. */
final readonly class Hardware
{
    /**
     * @param  ?Compressor  $compressor  null on a natural engine, or where nothing is known of it
     * @param  bool  $belt  the engine turns it
     * @param  ?Cooler  $cooler  null where none stands behind the compressor
     * @param  ?PressureRatio  $pressure  that forced induction on a natural engine holds
     * @param  float  $charge  K by which parts move the charge temperature
     * @param  float  $compression  points of compression ratio more than the factory's
     * @param  ?Boost  $measured  boost that a dyno showed with this map
     * @param  ?Boost  $stated  boost that somebody states of this map
     * @param  ?Range  $exhaust  K before the turbine at full load, where platform or map state it
     * @param  Range  $cooling  K by which parts move that
     * @param  array<string, FuelComponent>  $fuel  by key
     * @param  float  $driven  by which a pulley turns a blower faster, times
     * @param  float  $spray  percent of the fuel's mass that is sprayed in as water-methanol
     * @param  string  $name  of what is in it besides boost and exhaust
     */
    public function __construct(
        public ?Compressor $compressor,
        public bool $belt,
        public ?Cooler $cooler,
        public ?PressureRatio $pressure,
        public float $charge,
        public float $compression,
        public ?Boost $measured,
        public ?Boost $stated,
        public ?Range $exhaust,
        public Range $cooling,
        public array $fuel,
        public float $spray,
        public float $driven,
        public string $name,
    ) {}
}
