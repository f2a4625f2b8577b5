<?php

namespace Pebblerun\Core\Platform;

/** The customer's car, as far as conditions ask. */
final readonly class Car
{
    public function __construct(
        public int $year,
        public string $gearbox,
        public string $use,
        public string $aspiration,
        public string $drive,
    ) {}

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
