<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Physics\Driveline\Loss;

/** The customer's car, as far as conditions ask. */
final readonly class Car
{
    /** Worn engines give less: from there on, km. */
    public const WORN = 200_000.0;

    /**
     * @param  ?float  $lossShare  from a measured pair of crank and wheel power
     * @param  ?float  $mileage  km; null where nobody read it
     * @param  float  $wheelShare  of the platform's wheel figures that come through this car's gearbox, where it is another
     */
    public function __construct(
        public int $year,
        public string $gearbox,
        public string $use,
        public string $aspiration,
        public string $drive,
        public ?float $lossShare = null,
        public ?float $mileage = null,
        public float $wheelShare = 1.0,
    ) {}

    /** Whether its age shows unless somebody measures it. */
    public function isWorn(): bool
    {
        return $this->mileage > self::WORN;
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

    /** @param  'gearbox'|'use'|'aspiration'|'drive'  $fact */
    public function fact(string $fact): string
    {
        return match ($fact) {
            'gearbox' => $this->gearbox,
            'use' => $this->use,
            'aspiration' => $this->aspiration,
            'drive' => $this->drive,
        };
    }
}
