<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Library\PartNotes;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Job\Starting\EngineKind;
use Pebblerun\Core\Job\Starting\TypicalParts;
use Pebblerun\Core\Report\Words\PartNoteWords;
use Pebblerun\Core\Units\UnitSystem;

/** A platform's slots for whoever writes a part down: what such parts usually give, and the stock car's own limits and pumps. */
final readonly class SlotsDocument
{
    /** @param  UnitSystem  $units  of the shop, which documents are written in */
    public function __construct(private Platform $platform, private UnitSystem $units, private PartNoteWords $words) {}

    /**
     * @param  array{displacement: float|int, cylinders: int, aspiration: string, fuel: string, ...}  $engine  as the platform format has it
     * @return list<array<string, mixed>> "slots" of libraryOptions in schemas/answers.json
     */
    public function slots(array $engine): array
    {
        $kind = EngineKind::of($engine);
        $power = $this->platform->baseline->peakPower()->value;
        $torque = $this->platform->baseline->peakTorque()->value;

        return array_values(array_map(fn (Slot $slot): array => [
            'key' => $slot->key, 'name' => $slot->name, 'lane' => $this->platform->lanes[$slot->lane],
            'typical' => TypicalParts::of($kind, $slot->key, $power, $torque, $this->units),
        ], $this->platform->slots));
    }

    /**
     * @param  list<array<string, mixed>>  $limits  of the platform's document
     * @param  list<array<string, mixed>>  $fuelSystem  of the platform's document
     * @return list<array<string, mixed>> "stock" of libraryOptions in schemas/answers.json
     */
    public function stock(array $limits, array $fuelSystem): array
    {
        $words = [];
        foreach (array_filter($this->platform->limits, PartNotes::isOfTheComponent(...)) as $limit) {
            $words[$limit->key] = $this->words->limit($limit);
        }
        foreach ($this->platform->fuelSystem as $component) {
            $words[$component->key] = $this->words->supply($component);
        }
        $stock = [];
        foreach (['limits' => $limits, 'supplies' => $fuelSystem] as $list => $entries) {
            foreach (array_filter($entries, fn (array $entry): bool => isset($words[$entry['key']])) as $entry) {
                $stock[] = ['list' => $list, 'entry' => $entry, 'words' => $words[$entry['key']]];
            }
        }

        return $stock;
    }
}
