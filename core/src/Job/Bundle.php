<?php

namespace Pebblerun\Core\Job;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Shop\Shop;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Plan;

/** Enough to compute an estimate anywhere, in SI. */
final readonly class Bundle
{
    /** @param  string  $fingerprint  of everything but the plan that a stage’s figures can depend on: equal ones give equal figures for equal plans */
    public function __construct(
        public Shop $shop,
        public Catalog $catalog,
        public Brief $brief,
        public Plan $plan,
        public string $fingerprint = '',
    ) {}

    /** The same shop, car and catalog with another plan. */
    public function with(Plan $plan): self
    {
        return new self($this->shop, $this->catalog, $this->brief, $plan, $this->fingerprint);
    }
}
