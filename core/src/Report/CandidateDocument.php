<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Report\Words\FindingWords;

/** Writes candidates for a page. */
final readonly class CandidateDocument
{
    private FindingWords $findings;

    /** @param  ?string  $today  ISO 8601, in the shop's zone; null where the age of prices is not told */
    public function __construct(Catalog $catalog, private UnitFormatter $say, private ?string $today = null)
    {
        $this->findings = new FindingWords($catalog);
    }

    /** @return array<string, mixed> */
    public function of(Candidate $candidate): array
    {
        $choice = $candidate->choice;
        $supports = $choice instanceof Part && $choice->isSupporting();

        return [
            'part' => $choice->key,
            'name' => $choice->name,
            'maker' => $choice instanceof Part ? $choice->maker : self::content($choice),
            'adds' => $this->adds($candidate, $supports),
            'adds_torque' => $supports ? '' : "{$this->say->writeAddedTorque($candidate->addsTorque)} {$this->say->torqueLabel()}",
            'costs' => $choice instanceof Fuel ? '' : $this->say->sayMoney($candidate->costs),
            'each' => $choice instanceof Fuel ? '' : $this->each($candidate),
            'also_needs' => array_map(fn (Finding $finding): array => [
                'kind' => $finding->kind->value,
                'fault' => $finding->kind->isFault(),
                'sentence' => $this->findings->of($finding, $candidate->build),
            ], $candidate->findings),
            'ceilings' => array_map((new Words\CeilingWords($this->say))->of(...), $candidate->ceilings),
            'cautions' => $choice instanceof Fuel ? [] : array_map(fn (Caution $caution): string => Terms::caution($caution), $choice->cautions),
            'chosen' => $candidate->chosen,
            'offered' => $candidate->with !== null,
            'with' => array_map(fn (Part $part): array => ['part' => $part->key, 'name' => $part->name], $candidate->with ?? []),
            'old_price' => $choice instanceof Part ? $this->oldPrice($choice) : '',
        ];
    }

    /** "price 90 days old"; nothing where it is fresh. */
    private function oldPrice(Part $part): string
    {
        if ($this->today === null) {
            return '';
        }
        $age = new PriceAge($part->price->asOf, $this->today);

        return $age->isOld() ? "price {$age->words()}" : '';
    }

    private static function content(Fuel $fuel): string
    {
        return $fuel->kind === FuelKind::Diesel ? 'for diesel engines' : sprintf('%d octane, %d to %d %% ethanol', $fuel->octane, $fuel->ethanol->low, $fuel->ethanol->high);
    }

    /** "+ 14 whp", "supports", or what it is worth for the time that is asked: "as + 8 whp". */
    private function adds(Candidate $candidate, bool $supports): string
    {
        $eases = abs($candidate->eases) < $this->say->units->power->watts() ? '' : "as {$this->say->writeAddedPower($candidate->helps())} {$this->say->powerLabel()} for the time";

        return match (true) {
            $eases !== '' => $eases,
            $supports => 'carries others',
            default => "{$this->say->writeAddedPower($candidate->adds)} {$this->say->powerLabel()}",
        };
    }

    /** "€ 60 per whp"; nothing where it helps by less than one. */
    private function each(Candidate $candidate): string
    {
        $adds = $candidate->helps() / $this->say->units->power->watts();

        return $adds < 1.0 ? '' : $this->say->sayMoney((int) round($candidate->costs / $adds))." per {$this->say->powerLabel()}";
    }
}
