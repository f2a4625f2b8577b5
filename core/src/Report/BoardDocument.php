<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\Timeline\FittedPart;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\PriceBasis;

/** The board: slots by lane in gas-path order, and what each cell shows. */
final readonly class BoardDocument
{
    /** The row of the fuel, which is no slot. */
    public const FUEL = 'fuel-in-tank';

    public function __construct(private Estimate $estimate, private UnitFormatter $say) {}

    /** @return list<array<string, mixed>> */
    public function lanes(): array
    {
        $platform = $this->estimate->bundle->catalog->platform;
        $lanes = [];
        foreach ($platform->lanes as $key => $name) {
            $slots = array_filter($platform->slots, fn (Slot $slot): bool => $slot->lane === $key && $this->shows($slot));
            $rows = array_values(array_map($this->row(...), $slots));
            if ($key === $this->laneOfMap()) {
                array_unshift($rows, $this->fuelRow());
            }
            if ($rows !== []) {
                $lanes[] = ['key' => $key, 'name' => $name, 'slots' => $rows];
            }
        }

        return $lanes;
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
        foreach ($this->estimate->results as $result) {
            $fuel = $result->model->state->fuel;
            $state = $before === null ? 'came' : ($before === $fuel ? 'carried' : 'new');
            $cells[] = ['state' => $state, 'name' => $fuel->name, 'part' => null, 'note' => '', 'value' => '', 'mark' => '', 'flag' => null];
            $before = $fuel;
        }

        return ['key' => self::FUEL, 'name' => 'Fuel', 'stock' => '', 'internal' => false, 'cells' => $cells];
    }

    /** Internal slots only when a part stands there or a limit there is more than clear. */
    private function shows(Slot $slot): bool
    {
        if (! $slot->internal) {
            return true;
        }
        foreach ($this->estimate->results as $result) {
            if (isset($result->model->state->mounted[$slot->key])) {
                return true;
            }
        }
        foreach ($this->estimate->findings as $findings) {
            foreach ($findings as $finding) {
                if ($finding->slot === $slot->key) {
                    return true;
                }
            }
        }

        return $this->estimate->bundle->catalog->parts->servesSlot($slot->key);
    }

    /** @return array<string, mixed> */
    private function row(Slot $slot): array
    {
        $cells = [];
        foreach ($this->estimate->results as $i => $result) {
            $cells[] = $this->cell($slot, $i, $result);
        }

        return ['key' => $slot->key, 'name' => $slot->name, 'stock' => $slot->stock, 'internal' => $slot->internal, 'cells' => $cells];
    }

    /** @return array<string, mixed> */
    private function cell(Slot $slot, int $stage, StageResult $result): array
    {
        $mounted = $result->model->state->mounted[$slot->key] ?? null;
        $before = $stage > 0 ? ($this->estimate->results[$stage - 1]->model->state->mounted[$slot->key] ?? null) : null;
        $faults = array_values(array_filter($this->estimate->findings[$stage], fn (Finding $finding): bool => $finding->slot === $slot->key && $finding->kind !== FindingKind::Uncovered));
        if ($stage === 0 && in_array($slot->key, $this->estimate->bundle->brief->came->unknown, true)) {
            return ['state' => 'unknown', 'name' => 'not known', 'part' => null, 'note' => 'Nobody knows what stands here; whatever it is, it is in the baseline.', 'value' => '', 'mark' => '', 'flag' => null];
        }
        if ($mounted === null) {
            $missing = array_values(array_filter($faults, fn (Finding $finding): bool => $finding->fixes !== []))[0] ?? null;

            return [
                'state' => $missing !== null ? ($missing->kind->isFault() ? 'missing' : 'advised') : ($before !== null ? 'removed' : 'stock'),
                'name' => $missing !== null ? $missing->fixes[0][0]->name : ($stage === 0 || $before !== null ? $slot->stock : ''),
                'part' => $missing?->fixes[0][0]->key,
                'note' => $missing->sentence ?? '',
                'value' => '',
                'mark' => '',
                'flag' => null,
            ];
        }
        $part = $mounted->part;
        $change = array_values(array_filter($result->model->state->bought, fn (array $pair): bool => $pair[0] === $part))[0][1] ?? null;
        $bought = $change !== null;
        $flag = $this->flag($mounted, $result, $faults);

        return [
            'state' => match (true) {
                $stage === 0 => 'came',
                $bought && $slot->key !== $part->slots[0] => 'spanned',
                $bought => $before?->part === $part ? 'again' : 'new',
                $before?->part === $part => 'carried',
                default => 'left-over',
            },
            'name' => $part->name,
            'part' => $part->key,
            'note' => $faults[0]->sentence ?? '',
            'value' => $stage > 0 && $bought && $slot->key === $part->slots[0] ? $this->value($part, $result) : '',
            'mark' => $slot->key === $part->slots[0] ? self::mark($change) : '',
            'flag' => $flag,
        ];
    }

    private static function mark(?Change $change): string
    {
        return match (true) {
            $change === null => '',
            $change->basis === PriceBasis::Owned => 'own',
            $change->bought => 'bought',
            default => '',
        };
    }

    /** @param  list<Finding>  $faults */
    private function flag(FittedPart $mounted, StageResult $result, array $faults): ?string
    {
        return match (true) {
            array_filter($faults, fn (Finding $finding): bool => $finding->kind->isFault()) !== [] => 'fault',
            ! $result->model->state->covers($mounted) && $mounted->part->gains !== [] => 'uncovered',
            default => null,
        };
    }

    /** What a bought part is worth in its stage: "+14", or what it does instead. */
    private function value(Part $part, StageResult $result): string
    {
        foreach ($result->shares as $share) {
            if ($share->mounted->part === $part && ! $part->isSupporting()) {
                return sprintf('%+d', round($this->say->power($share->again ?? $share->adds)));
            }
        }

        return 'supports';
    }
}
