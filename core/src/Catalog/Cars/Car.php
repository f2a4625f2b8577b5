<?php

namespace Pebblerun\Core\Catalog\Cars;

use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Driveline\Loss;

/** The customer's car, as far as conditions ask. */
final readonly class Car
{
    /** km from which an engine is believed to be worn, and to be worn as far as it goes. */
    private const WEARS_FROM = 150_000.0;

    private const WORN = 300_000.0;

    /**
     * @param  ?float  $lossShare  from a measured pair of crank and wheel power
     * @param  ?float  $mileage  km; null where nobody read it
     * @param  float  $wheelShare  of the platform's wheel figures that come through this car's gearbox, where it is another
     * @param  ?string  $variant  key of what it is among the cars of its model year; null where the platform has but one
     * @param  ?Tyres  $tyres  null where nobody asked
     * @param  float  $lift  mm above its stock height
     * @param  ?float  $mass  kg with driver; null where nobody knows it
     */
    public function __construct(
        public int $year,
        public Gearbox $gearbox,
        public CarUse $use,
        public Aspiration $aspiration,
        public Drive $drive,
        public ?float $lossShare = null,
        public ?float $mileage = null,
        public float $wheelShare = 1.0,
        public ?string $variant = null,
        public ?Tyres $tyres = null,
        public float $lift = 0.0,
        public ?float $mass = null,
    ) {}

    /** How far its mileage has worn it, unless a pull says otherwise: 0 to 1. */
    public function wear(): float
    {
        return min(1.0, max(0.0, ((float) $this->mileage - self::WEARS_FROM) / (self::WORN - self::WEARS_FROM)));
    }

    /** Share lost by the car that the platform's figures were read on. */
    public function baselineLossShare(): float
    {
        return 1.0 - (1.0 - $this->lossShare()) / $this->wheelShare;
    }

    /** Share of the power lost between crank and wheels: a measured pair wins over the usual figure. */
    public function lossShare(): float
    {
        return $this->lossShare ?? Loss::usual($this->drive, $this->gearbox);
    }

    public function fact(CarFact $fact): ?string
    {
        return match ($fact) {
            CarFact::Gearbox => $this->gearbox->value,
            CarFact::Use => $this->use->value,
            CarFact::Aspiration => $this->aspiration->value,
            CarFact::Drive => $this->drive->value,
            CarFact::Variant => $this->variant,
            CarFact::Tyres => $this->tyres?->value,
        };
    }

    /** In the measure's own unit; null where nobody knows it. */
    public function measure(CarMeasure $measure): ?float
    {
        return match ($measure) {
            CarMeasure::Lift => $this->lift,
            CarMeasure::Mass => $this->mass,
        };
    }
}
