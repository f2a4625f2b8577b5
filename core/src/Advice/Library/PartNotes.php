<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Platform;

/** What whoever writes a part down is told of it: what its figures come to, and what of the stock car stays though the part takes its slot. */
final readonly class PartNotes
{
    /** What is judged of the whole engine, or against the part's own rating: it holds whatever is in the slot. */
    private const OF_ANY = [Quantity::Knock, Quantity::Smoke, Quantity::ChargeTemperature, Quantity::TurboFlow];

    public function __construct(private Platform $platform) {}

    /** Whether a limit is the very component's: another part in its slot has another, or none. */
    public static function isOfTheComponent(Limit $limit): bool
    {
        return ! in_array($limit->quantity, self::OF_ANY, true);
    }

    /** @return list<PartNote> */
    public function of(Part $part): array
    {
        return [...self::figures($part), ...$this->cooling($part), ...$this->staying($part)];
    }

    /** @return list<PartNote> */
    private static function figures(Part $part): array
    {
        $told = array_filter($part->effects->supplies, fn (FuelComponent $component): bool => $component->goodFor !== null);

        return array_map(fn (FuelComponent $component): PartNote => new PartNote(PartNoteCode::GoodFor, $component), array_values($told));
    }

    /** @return list<PartNote> */
    private function cooling(Part $part): array
    {
        $cooler = $part->effects->cooler;
        if ($cooler !== null) {
            return $cooler->core === null ? [] : [new PartNote(PartNoteCode::TypicalCooler, $cooler)];
        }

        return array_intersect($part->slots, $this->coolerSlots()) === [] ? [] : [new PartNote(PartNoteCode::CoolsNothing)];
    }

    /** @return list<string> slots whose component is judged by the charge's temperature */
    private function coolerSlots(): array
    {
        $judged = array_filter($this->platform->limits, fn (Limit $limit): bool => $limit->quantity === Quantity::ChargeTemperature);

        return array_values(array_map(fn (Limit $limit): string => $limit->slot, $judged));
    }

    /** @return list<PartNote> */
    private function staying(Part $part): array
    {
        $effects = $part->effects;
        $own = array_map(fn (Limit $limit): string => "{$limit->slot}/{$limit->quantity->value}", $effects->limits);
        $supplied = array_map(fn (FuelComponent $component): string => "{$component->slot}/{$component->kind}", $effects->supplies);
        $isHere = fn (Limit|FuelComponent $one): bool => in_array($one->slot, $part->slots, true) && ! in_array($one->key, $effects->replaces, true);
        $limits = array_filter($this->platform->limits, fn (Limit $limit): bool => $isHere($limit) && self::isOfTheComponent($limit) && ! in_array("{$limit->slot}/{$limit->quantity->value}", $own, true));
        $supplies = array_filter($this->platform->fuelSystem, fn (FuelComponent $component): bool => $isHere($component) && ! in_array("{$component->slot}/{$component->kind}", $supplied, true));

        return [
            ...array_map(fn (Limit $limit): PartNote => new PartNote(PartNoteCode::LimitStays, $limit), array_values($limits)),
            ...array_map(fn (FuelComponent $component): PartNote => new PartNote(PartNoteCode::SupplyStays, $component), array_values($supplies)),
        ];
    }
}
