<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Library\LibraryChange;
use Pebblerun\Core\Advice\Library\LibraryDifference;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Report\Words\LibraryChangeWords;

/** What changed in the library since a plan was saved, of the parts that it has, and what that makes of the plan. */
final readonly class RenewalDocument
{
    /**
     * @param  Estimate  $before  of the plan as it was quoted
     * @param  Estimate  $after  of the same plan on the newer figures and prices
     */
    public function __construct(private Estimate $before, private Estimate $after, private UnitFormatter $say) {}

    /** @return array{changes: list<string>, now: string, was: string} */
    public function toArray(): array
    {
        $words = new LibraryChangeWords($this->say);
        $changes = (new LibraryDifference($this->before->bundle->catalog, $this->after->bundle->catalog))->of($this->parts());

        return [
            'changes' => array_map(fn (LibraryChange $change): string => $words->of($change), $changes),
            'now' => $this->comesTo($this->after),
            'was' => $this->comesTo($this->before),
        ];
    }

    /** @return list<string> keys of all that it fits and that came with the car */
    private function parts(): array
    {
        $fits = array_map(fn (Stage $stage): array => array_filter(array_map(fn (Change $change): ?string => $change->part, $stage->changes)), $this->after->bundle->plan->stages);

        return array_values(array_unique([...$this->after->bundle->brief->received->parts, ...array_merge(...$fits)]));
    }

    private function comesTo(Estimate $estimate): string
    {
        return "{$this->say->sayPower($estimate->last()->power->p50)}, {$this->say->sayMoney($estimate->total()->likely)}";
    }
}
