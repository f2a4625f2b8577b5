<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\AdvisedFinding;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\Timeline\Purchase;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Report\Words\FindingWords;

/** The board: slots by lane in gas-path order, and what each cell shows. */
final readonly class BoardDocument
{
    /** The row of the fuel, which is no slot. */
    public const FUEL = 'fuel-in-tank';

    private const EMPTY = ['part' => null, 'note' => '', 'value' => '', 'marks' => [], 'flag' => null];

    private FindingWords $words;

    /** @var list<AddedPowers> by stage */
    private array $values;

    /** @param  list<list<AdvisedFinding>>  $advised  as received, then the stages */
    public function __construct(private Estimate $estimate, private array $advised, private UnitFormatter $say)
    {
        $this->words = new FindingWords($estimate->bundle->catalog);
        $this->values = array_map(fn (int $stage): AddedPowers => AddedPowers::of($estimate, $stage, $say), array_keys($estimate->results));
    }

    /**
     * @param  bool  $thin  without what is empty
     * @return list<array<string, mixed>>
     */
    public function lanes(bool $thin = false): array
    {
        $platform = $this->estimate->bundle->catalog->platform;
        $lanes = [];
        foreach ($platform->lanes as $key => $name) {
            $slots = array_filter($platform->slots, fn (Slot $slot): bool => $slot->lane === $key && $this->shows($slot));
            $rows = array_values(array_map($this->row(...), $slots));
            if ($key === $this->laneOfMap()) {
                array_unshift($rows, $this->fuelRow());
            }
            if ($thin) {
                $rows = array_map(fn (array $row): array => [...$row, 'cells' => array_map(self::withoutEmpty(...), $row['cells'])], $rows);
            }
            if ($rows !== []) {
                $lanes[] = ['key' => $key, 'name' => $name, 'slots' => $rows];
            }
        }

        return $lanes;
    }

    /**
     * @param  array<string, mixed>  $cell
     * @return array<string, mixed>
     */
    private static function withoutEmpty(array $cell): array
    {
        return array_filter($cell, fn (mixed $value): bool => $value !== '' && $value !== null && $value !== []);
    }

    /** The fuel stands beside the map that was written for it. */
    private function laneOfMap(): ?string
    {
        $catalog = $this->estimate->bundle->catalog;
        $slot = $catalog->parts->mapSlot();

        return $slot === null ? null : $catalog->platform->slots[$slot]->lane;
    }

    /** @return array<string, mixed> */
    private function fuelRow(): array
    {
        $cells = [];
        $before = null;
        foreach ($this->estimate->results as $stage => $result) {
            $fuel = $result->state->build->fuel;
            $state = $before === null ? 'received' : ($before === $fuel ? 'carried' : 'new');
            $cells[] = ['state' => $state, 'name' => $fuel->name, ...self::EMPTY, 'value' => $state === 'new' ? $this->values[$stage]->at(AddedPowers::FUEL) : ''];
            $before = $fuel;
        }

        return ['key' => self::FUEL, 'name' => 'Fuel', 'stock' => '', 'internal' => false, 'cells' => $cells];
    }

    /** Internal slots only when a part stands there or could, or a finding shows there. */
    private function shows(Slot $slot): bool
    {
        if (! $slot->internal || $this->estimate->bundle->catalog->parts->servesSlot($slot->key)) {
            return true;
        }
        foreach ($this->advised as $stage) {
            foreach ($stage as $advised) {
                if ($advised->slot === $slot->key) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array<string, mixed> */
    private function row(Slot $slot): array
    {
        $cells = array_map(fn (int $stage): array => $this->cell($slot, $stage), array_keys($this->estimate->results));

        return ['key' => $slot->key, 'name' => $slot->name, 'stock' => $slot->stock, 'internal' => $slot->internal, 'cells' => $cells];
    }

    /** @return array<string, mixed> */
    private function cell(Slot $slot, int $stage): array
    {
        if ($stage === 0 && in_array($slot->key, $this->estimate->bundle->brief->received->unknown, true)) {
            return ['state' => 'unknown', 'name' => 'not known', ...self::EMPTY, 'note' => 'Not known what is fitted here; whatever it is, the baseline includes it.'];
        }
        $here = array_values(array_filter($this->advised[$stage], fn (AdvisedFinding $one): bool => $one->slot === $slot->key && $one->finding->kind !== FindingKind::Uncovered));
        $part = $this->estimate->results[$stage]->state->build->fitted[$slot->key] ?? null;

        return $part === null ? $this->emptyCell($slot, $stage, $here) : $this->fittedCell($slot, $stage, $part, $here);
    }

    private function before(Slot $slot, int $stage): ?Part
    {
        return $stage > 0 ? ($this->estimate->results[$stage - 1]->state->build->fitted[$slot->key] ?? null) : null;
    }

    /**
     * @param  list<AdvisedFinding>  $here
     * @return array<string, mixed> what is missing or advised offers itself in place
     */
    private function emptyCell(Slot $slot, int $stage, array $here): array
    {
        $before = $this->before($slot, $stage);
        $value = $this->values[$stage]->at($slot->key);
        foreach ($here as $advised) {
            if ($advised->fixes !== []) {
                $part = $advised->fixes[0][0];

                return ['state' => $advised->finding->kind->isFault() ? 'missing' : 'advised', 'name' => $part->name, ...self::EMPTY, 'part' => $part->key, 'value' => $value, 'fits' => array_map(fn (Part $one): string => $one->key, $advised->fixes[0]), 'note' => $this->note($advised, $stage)];
            }
        }

        return ['state' => $before !== null ? 'removed' : 'stock', 'name' => $stage === 0 || $before !== null ? $slot->stock : '', ...self::EMPTY, 'value' => $value];
    }

    private function note(AdvisedFinding $advised, int $stage): string
    {
        return $this->words->of($advised->finding, $this->estimate->results[$stage]->state->build);
    }

    /**
     * @param  list<AdvisedFinding>  $here
     * @return array<string, mixed>
     */
    private function fittedCell(Slot $slot, int $stage, Part $part, array $here): array
    {
        $result = $this->estimate->results[$stage];
        $purchase = $result->state->purchaseOf($part);
        $before = $this->before($slot, $stage);
        $first = $slot->key === $part->slots[0];

        return [
            'state' => match (true) {
                $stage === 0 => 'received',
                $purchase !== null && ! $first => 'spanned',
                $purchase !== null => $before === $part ? 'again' : 'new',
                $before === $part => 'carried',
                default => 'left-over',
            },
            'name' => $part->name,
            'part' => $part->key,
            'note' => $here === [] ? '' : $this->note($here[0], $stage),
            'value' => $stage > 0 && $first ? $this->value($part, $stage, $purchase !== null) : '',
            'marks' => $first && $purchase !== null ? self::marks($purchase) : [],
            'flag' => $this->flag($part, $result, $here),
        ];
    }

    /** @return list<string> */
    private static function marks(Purchase $purchase): array
    {
        return array_keys(array_filter([
            'own' => $purchase->change->basis === PriceBasis::Owned,
            'bought' => $purchase->change->bought,
            'own work' => $purchase->change->ownWork,
        ]));
    }

    /** @param  list<AdvisedFinding>  $here */
    private function flag(Part $part, StageResult $result, array $here): ?string
    {
        return match (true) {
            array_filter($here, fn (AdvisedFinding $one): bool => $one->finding->kind->isFault()) !== [] => 'fault',
            array_filter($result->findings, fn (Finding $finding): bool => $finding->part === $part && ($finding->kind === FindingKind::Uncovered || $finding->kind === FindingKind::Gated)) !== [] => 'uncovered',
            default => null,
        };
    }

    /** What a part is worth in the stage: "+14", "keeps 60" where it is retuned, "as +5" where it eases the time that is asked, or what it does instead. */
    private function value(Part $part, int $stage, bool $isBought): string
    {
        $adds = $this->values[$stage]->at($part->slots[0]);
        if (! $isBought || ! in_array($adds, ['', $this->say->writeAddedPower(0.0)], true)) {
            return $isBought ? trim($adds.$this->keeps($part, $stage, ' · ')) : $adds;
        }
        $eases = $this->eases($part, $this->estimate->results[$stage]);

        return match (true) {
            abs($eases) >= $this->say->units->power->watts() => "as {$this->say->writeAddedPower($eases)}",
            $part->isSupporting() => 'carries others',
            default => $this->keeps($part, $stage, '') ?: $adds,
        };
    }

    /** What retuning keeps of the power that is there. */
    private function keeps(Part $part, int $stage, string $before): string
    {
        foreach ($this->estimate->results[$stage]->shares as $share) {
            if ($share->part === $part && $share->keeps !== null && $share->keeps >= $this->say->units->power->watts() / 2) {
                return "{$before}keeps {$this->say->writePower($share->keeps)}";
            }
        }

        return '';
    }

    /** W that the asked time would ask more without it; 0 where no time is asked. */
    private function eases(Part $part, StageResult $result): float
    {
        $target = $this->estimate->bundle->brief->target;
        $parts = $result->state->build->parts;

        return $target?->eased(array_filter($parts, fn (Part $one): bool => $one !== $part), $parts) ?? 0.0;
    }
}
