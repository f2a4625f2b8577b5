<?php

namespace App\Assembly;

use App\Models\User;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;

/** An estimated plan, ready to become documents. */
final readonly class Estimates
{
    /**
     * @param  array<string, mixed>  $document  the estimate document, in the bundle's own units
     * @param  array<string, list<mixed>>  $figures  for the next estimate of the same plan
     */
    private function __construct(public OpenedBundle $opened, public Estimate $estimate, public array $document, public array $figures) {}

    /** @param  array<string, list<mixed>>  $known  figures kept with the plan */
    public static function of(OpenedBundle $opened, array $known = []): self
    {
        $estimate = Estimate::of($opened->bundle, $known);

        return new self($opened, $estimate, EstimateDocument::of($estimate, $opened->units), $estimate->figures);
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

    public static function formatter(OpenedBundle $opened, User $reader): UnitFormatter
    {
        return UnitFormatter::for($opened->bundle, $reader->unitSystem(), $reader->numerals);
    }
}
