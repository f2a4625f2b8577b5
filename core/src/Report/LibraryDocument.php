<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Report\Words\ConditionWords;
use Pebblerun\Core\Units\Range;

/** A platform's parts as they lie on the shelf: by lane and slot in gas-path order, what each gives, what that rests on, what it costs and since when. */
final readonly class LibraryDocument
{
    private ConditionWords $conditions;

    private Situation $stock;

    /** @param  string  $today  ISO 8601, in the shop's zone */
    public function __construct(private Bundle $bundle, private UnitFormatter $say, private string $today)
    {
        $this->conditions = new ConditionWords($bundle->catalog);
        $fuels = array_values($bundle->catalog->fuels);
        $this->stock = new Situation($bundle->brief->car, [], $fuels[0]);
    }

    /** @return list<array<string, mixed>> lanes with their slots that have parts; a kit lies in its first slot */
    public function lanes(): array
    {
        $platform = $this->bundle->catalog->platform;
        $bySlot = [];
        foreach ($this->bundle->catalog->parts->all() as $part) {
            $bySlot[$part->slots[0]][] = $part;
        }
        $lanes = [];
        foreach ($platform->lanes as $key => $name) {
            $slots = array_filter($platform->slots, fn (Slot $slot): bool => $slot->lane === $key && isset($bySlot[$slot->key]));
            if ($slots !== []) {
                $lanes[] = ['key' => $key, 'name' => $name, 'slots' => array_values(array_map(fn (Slot $slot): array => [
                    'key' => $slot->key, 'name' => $slot->name, 'stock' => $slot->stock, 'parts' => array_map($this->part(...), $bySlot[$slot->key]),
                ], $slots))];
            }
        }

        return $lanes;
    }

    /** @return list<array<string, string>> what it gives, case by case */
    public function cases(Part $part): array
    {
        return array_map($this->case(...), $part->gains);
    }

    /** @return array<string, mixed> */
    private function part(Part $part): array
    {
        $first = $part->gains[0] ?? null;
        $price = $part->price;
        $age = new PriceAge($price->asOf, $this->today);

        return [
            'key' => $part->key,
            'name' => $part->name,
            'maker' => $part->maker,
            'gives' => $first === null ? 'carries others' : $this->gain($first->power, $this->say->writeAddedPower(...), $this->say->powerLabel()),
            'kind' => $first?->source->evidence->value,
            'rests' => $first === null ? '' : Terms::evidence($first->source->evidence),
            'cases' => $this->cases($part),
            'fills' => array_map(fn (string $slot): string => $this->bundle->catalog->platform->slots[$slot]->name, $part->slots),
            'needs' => array_map(fn (Need $need): string => $this->need($need), $part->needs->requires),
            'goes_with' => array_map(fn (Need $need): string => $this->need($need), $part->needs->recommends),
            'cautions' => array_map(fn (Caution $caution): string => Terms::caution($caution), $part->cautions),
            'retired' => $part->retired === null ? '' : 'No longer offered'.($part->retired->successor === null ? '.' : ': '.($this->bundle->catalog->parts[$part->retired->successor]->name ?? $part->retired->successor).' takes its place.'),
            'sound' => $part->sound === null ? '' : Terms::sound($part->sound),
            'lead' => $part->workshop->leadDays === null ? '' : "there in {$part->workshop->leadDays} days",
            'law' => $part->law->trackOnly ? rtrim("For closed courses only: {$part->law->note}", ': ') : $part->law->note,
            'price' => [
                'words' => $this->say->sayMoney($price->new->likely),
                'range' => $price->new->low === $price->new->high ? '' : "{$this->say->sayMoney($price->new->low)} to {$this->say->sayMoney($price->new->high)}",
                'used' => $price->used === null ? '' : $this->say->sayMoney($price->used->likely),
                'hours' => $this->say->numerals->write($part->work->hours / 100.0, 1).' h',
                'age' => $age->words(),
                'old' => $age->isOld(),
            ],
        ];
    }

    /** @return array<string, string> */
    private function case(GainCase $case): array
    {
        return [
            'when' => implode(', ', array_filter([
                $case->when === null ? '' : 'with '.$this->conditions->of($case->when, $this->stock),
                $case->on->ethanol === null ? '' : 'on '.$this->say->numerals->write($case->on->ethanol).' % ethanol',
                $case->on->octane === null ? '' : "at {$this->say->numerals->write($case->on->octane)} RON",
            ])) ?: 'in any build',
            'power' => $this->gain($case->power, $this->say->writeAddedPower(...), $this->say->powerLabel()),
            'torque' => $this->gain($case->torque, $this->say->writeAddedTorque(...), $this->say->torqueLabel()),
            'kind' => $case->source->evidence->value,
            'rests' => Terms::evidence($case->source->evidence),
            'note' => $case->source->note,
        ];
    }

    /**
     * "+12 whp, +6 to +20".
     *
     * @param  callable(float): string  $write
     */
    private function gain(Range $range, callable $write, string $label): string
    {
        $plain = fn (float $value): string => preg_replace('/^\+(0[.,]?0*)$/', '0', $write($value)) ?? '';
        $likely = "{$plain($range->likely)} {$label}";

        return $plain($range->low) === $plain($range->high) ? $likely : "{$likely}, {$plain($range->low)} to {$plain($range->high)}";
    }

    private function need(Need $need): string
    {
        return ucfirst($this->conditions->of($need->that, $this->stock)).": {$need->reason}";
    }
}
