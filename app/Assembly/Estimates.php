<?php

namespace App\Assembly;

use Pebblerun\Core\Bundle\Bundle;
use Pebblerun\Core\Estimate\Document;
use Pebblerun\Core\Estimate\Estimate;

/** Results become documents. */
final readonly class Estimates
{
    /**
     * @param  array<string, mixed>  $document  the estimate document, in the bundle's own units
     * @param  array<string, list<mixed>>  $figures  for the next estimate of the same plan
     */
    private function __construct(public Estimate $estimate, public array $document, public array $figures) {}

    /** @param  array<string, list<mixed>>  $known  figures kept with the plan */
    public static function of(Bundle $bundle, array $known = []): self
    {
        $estimate = Estimate::of($bundle, $known);

        return new self($estimate, Document::of($estimate, $bundle->units), $estimate->figures);
    }
}
