<?php

namespace Pebblerun\Core\Bundle;

use Pebblerun\Core\Brief\Brief;
use Pebblerun\Core\Condition\Catalog;
use Pebblerun\Core\Cost\Rates;
use Pebblerun\Core\Plan\Plan;
use Pebblerun\Core\Units\UnitSystem;

/** Enough to compute an estimate anywhere. */
final readonly class Bundle
{
    public function __construct(
        public UnitSystem $units,
        public Rates $rates,
        public Catalog $catalog,
        public Brief $brief,
        public Plan $plan,
    ) {
    }

    /** The same shop, car and catalog with another plan. */
    public function withPlan(Plan $plan): self
    {
        return new self($this->units, $this->rates, $this->catalog, $this->brief, $plan);
    }
}
