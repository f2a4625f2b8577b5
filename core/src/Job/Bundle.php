<?php

namespace Pebblerun\Core\Job;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Exchange\DocumentNode;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Exchange\PlanReader;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Units\UnitSystem;

/** Enough to compute an estimate anywhere. */
final readonly class Bundle
{
    /** @param  string  $fingerprint  of everything but the plan: equal ones give equal estimates for equal plans */
    public function __construct(
        public UnitSystem $units,
        public Rates $rates,
        public Catalog $catalog,
        public Brief $brief,
        public Plan $plan,
        public string $fingerprint,
    ) {}

    /**
     * The same shop, car and catalog with another plan.
     *
     * @param  array<string, mixed>  $document  the plan format without its head
     *
     * @throws InvalidBundle when it is faulty or chooses what the catalog does not have.
     */
    public function withPlan(array $document): self
    {
        $node = new DocumentNode($document, 'plan');
        $plan = PlanReader::read($node);
        $node->guard(fn (): array => StageTimeline::of($plan, $this->brief->came, $this->catalog, $this->brief->car));

        return new self($this->units, $this->rates, $this->catalog, $this->brief, $plan, $this->fingerprint);
    }
}
