<?php

namespace App\Assembly;

use App\Models\User;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;

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

        return new self($estimate, EstimateDocument::of($estimate, $bundle->units), $estimate->figures);
    }

    /**
     * The same in what a person reads in.
     *
     * @return array<string, mixed>
     */
    public function for(User $reader): array
    {
        return $reader->readsAsShop() ? $this->document : EstimateDocument::of($this->estimate, $reader->unitSystem(), $reader->numerals);
    }

    public static function figures(Bundle $bundle, User $reader): UnitFormatter
    {
        return new UnitFormatter($reader->unitSystem(), $bundle->rates->currency, $reader->numerals);
    }
}
