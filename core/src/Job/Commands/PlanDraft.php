<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\UnknownChoice;

/**
 * A plan document while commands change it. The document is the open plan format without its head.
 *
 * @phpstan-type ChangeDocument array{fit?: string, remove?: string, basis?: string, agreed?: float|int, quantity?: int, bought?: bool, own_work?: bool}
 * @phpstan-type AcceptanceDocument array{limit: string, by: string, on: string, reason: string}
 * @phpstan-type HoldDocument array{torque: float, unit?: string, from_rpm: float, to_rpm: float}
 * @phpstan-type StageDocument array{key: string, name: string, fuel: string, changes: list<ChangeDocument>, hold?: HoldDocument, accepts?: list<AcceptanceDocument>}
 * @phpstan-type PlanDocument array{name: string, settings?: array<string, string>, stages: list<StageDocument>}
 */
final class PlanDraft
{
    public const MOST_STAGES = 12;

    /** What a line may say besides its part. */
    public const DETAILS = ['basis', 'agreed', 'quantity', 'bought', 'own_work'];

    /** @param  PlanDocument  $plan */
    public function __construct(public array $plan, public readonly Catalog $catalog) {}

    /** The place of a stage, counted from 0.
     *
     * @throws InvalidCommand when the plan has no such stage. */
    public function stage(string $key): int
    {
        $place = array_search($key, array_column($this->plan['stages'], 'key'), true);

        return is_int($place) ? $place : throw InvalidCommand::noStage($key);
    }

    /**
     * A key for a new stage: the wanted one, or one that no stage has now.
     *
     * @throws InvalidCommand when a stage has it, or there are as many stages as a plan can have.
     */
    public function newKey(?string $wanted = null): string
    {
        $keys = array_column($this->plan['stages'], 'key');
        if (count($keys) >= self::MOST_STAGES) {
            throw InvalidCommand::tooManyStages(self::MOST_STAGES);
        }
        if ($wanted !== null) {
            return in_array($wanted, $keys, true) ? throw InvalidCommand::stageThere($wanted) : $wanted;
        }
        $number = count($keys) + 1;
        while (in_array("s{$number}", $keys, true)) {
            $number++;
        }

        return "s{$number}";
    }

    /**
     * Fits a part in a stage, in place of what the stage did in its slots.
     *
     * @param  array<string, mixed>  $details  of its line: basis, agreed, quantity, bought, own work
     *
     * @throws UnknownChoice
     */
    public function fit(int $stage, string $key, array $details = []): void
    {
        foreach ($this->catalog->part($key)->slots as $slot) {
            $this->drop($stage, $slot);
        }
        $kept = array_intersect_key($details, array_flip(self::DETAILS));
        /** @var ChangeDocument $change */
        $change = ['fit' => $key, ...array_filter($kept, fn (mixed $value): bool => $value !== null)];
        $this->plan['stages'][$stage]['changes'][] = $change;
    }

    /** Drops every change of a stage that touches a slot; whether there was one. */
    public function drop(int $stage, string $slot): bool
    {
        $before = $this->plan['stages'][$stage]['changes'];
        $kept = $this->without($before, $slot);
        $this->plan['stages'][$stage]['changes'] = $kept;

        return count($kept) < count($before);
    }

    /**
     * @param  list<ChangeDocument>  $changes
     * @return list<ChangeDocument>
     */
    public function without(array $changes, string $slot): array
    {
        return array_values(array_filter($changes, fn (array $change): bool => ! in_array($slot, $this->slotsOf($change), true)));
    }

    /**
     * @param  ChangeDocument  $change
     * @return list<string> the slots it touches
     */
    public function slotsOf(array $change): array
    {
        return isset($change['fit']) ? ($this->catalog->parts[$change['fit']]->slots ?? []) : [(string) ($change['remove'] ?? '')];
    }

    /** @param  StageDocument  ...$stages */
    public function insert(int $place, array ...$stages): void
    {
        array_splice($this->plan['stages'], $place, 0, $stages);
    }

    public function remove(int $stage): void
    {
        array_splice($this->plan['stages'], $stage, 1);
    }

    /** "Stage 2", as a number; null where there is no such stage. */
    public function numberOf(string $key): ?int
    {
        $place = array_search($key, array_column($this->plan['stages'], 'key'), true);

        return is_int($place) ? $place + 1 : null;
    }

    public function partName(string $key): string
    {
        return $this->catalog->parts[$key]->name ?? $key;
    }

    public function slotName(string $key): string
    {
        return $this->catalog->platform->slots[$key]->name ?? $key;
    }

    /** Of the platform's, or of a part's own. */
    public function limitName(string $key): string
    {
        $limits = $this->catalog->platform->limits;
        foreach ($this->catalog->parts as $part) {
            array_push($limits, ...$part->effects->limits);
        }
        $names = array_column([...$limits, ...$this->catalog->platform->fuelSystem], 'name', 'key');

        return $names[$key] ?? $key;
    }

    public function fuelName(string $key): string
    {
        return $this->catalog->fuels[$key]->name ?? $key;
    }
}
