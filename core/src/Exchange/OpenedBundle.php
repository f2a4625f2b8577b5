<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\References;
use Pebblerun\Core\Units\UnitSystem;

/** A bundle that was read, with the units that its document is written in. */
final readonly class OpenedBundle
{
    public function __construct(public Bundle $bundle, public UnitSystem $units) {}

    /**
     * The same shop, car and catalog with another plan.
     *
     * @param  array<string, mixed>  $document  the plan format without its head
     *
     * @throws InvalidBundle when it is faulty or chooses what the catalog does not have.
     */
    public function withPlan(array $document): self
    {
        return new self($this->bundle->with($this->plan($document)), $this->units);
    }

    /**
     * @param  array<string, mixed>  $document  the plan format without its head
     *
     * @throws InvalidBundle
     */
    public function plan(array $document): Plan
    {
        $node = new DocumentNode($document, 'plan');
        $plan = PlanReader::read($node, $this->bundle->shop, $this->units, $this->bundle->catalog->platform, $this->bundle->brief->car->lossShare());
        $node->guard(fn () => References::check($plan, $this->bundle->brief, $this->bundle->catalog));

        return $plan;
    }
}
