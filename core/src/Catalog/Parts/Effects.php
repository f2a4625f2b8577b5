<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Units\Range;

/** What a part does besides its gain. */
final readonly class Effects
{
    /**
     * @param  ?Range  $spool  rpm by which the rising flank moves; positive is later
     * @param  ?float  $revLimit  rpm
     * @param  list<AddedPower>  $added
     * @param  list<Ceiling>  $ceilings  of its own, while it is fitted
     * @param  ?Cooler  $cooler  the charge cooler it is
     * @param  float  $mass  kg against what it replaces; negative is lighter
     * @param  ?Range  $exhaust  K by which it moves the exhaust temperature before the turbine
     * @param  list<Limit>  $limits  in place of those of its own place and quantity
     * @param  list<string>  $replaces  keys of other limits that it takes away
     * @param  list<FuelComponent>  $supplies  in place of the fuel components with their keys
     * @param  ?Compressor  $compressor  that it brings
     * @param  bool  $belt  the engine turns the compressor
     * @param  ?Range  $charge  K by which it moves the charge temperature
     * @param  float  $compression  points of compression ratio
     * @param  float  $driveRatio  by which a pulley turns a blower faster, times
     * @param  float  $spray  percent of the fuel's mass that it sprays in as water-methanol
     * @param  float  $gearing  share by which the car is geared shorter in every gear: 0.07 for a final drive or tyre of 7 %
     * @param  ?Range  $launch  s that its grip saves from a standing start
     */
    public function __construct(
        public ?Range $spool = null,
        public ?float $revLimit = null,
        public array $added = [],
        public array $ceilings = [],
        public array $limits = [],
        public ?Cooler $cooler = null,
        public float $mass = 0.0,
        public ?Range $exhaust = null,
        public array $replaces = [],
        public array $supplies = [],
        public ?Compressor $compressor = null,
        public bool $belt = false,
        public ?Range $charge = null,
        public float $compression = 0.0,
        public float $gearing = 0.0,
        public ?Range $launch = null,
        public float $spray = 0.0,
        public float $driveRatio = 1.0,
    ) {}

    /** Whether the car is quicker or slower with it by its gears or its grip. */
    public function movesRoad(): bool
    {
        return $this->gearing !== 0.0 || $this->launch !== null;
    }
}
