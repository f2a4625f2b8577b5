<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Advice\Library\PartNote;
use Pebblerun\Core\Advice\Library\PartNoteCode;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Physics\Fuel\CamPump;
use Pebblerun\Core\Physics\Fuel\PumpFuel;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what a part's figures come to, and what they leave as it is. */
final readonly class PartNoteWords
{
    public function __construct(private PumpFuel $fuel, private UnitFormatter $say) {}

    public function of(PartNote $note): string
    {
        return match (true) {
            $note->of instanceof Cooler => $this->typical($note->of),
            $note->of instanceof Limit => "The stock car’s limit stays: {$this->limit($note->of)}. Say what this part is good for, or that the limit goes with the old part.",
            $note->of instanceof FuelComponent => $note->code === PartNoteCode::GoodFor ? $this->goodFor($note->of) : "The stock car’s {$note->of->name} stays as it is: say what this part delivers, or that the old one goes.",
            default => 'Nothing is stated of its core: it changes no temperature. Give its kind and size.',
        };
    }

    /** "Gearbox, wheel torque, safe to 300, breaks at 345 lb-ft". */
    public function limit(Limit $limit): string
    {
        $first = $limit->points[0];

        return "{$limit->name}, ".Terms::quantity($limit->quantity).($limit->isFlat() ? '' : " at {$this->say->sayRpm($first[0])}").", safe to {$this->say->writeLimit($limit->quantity, $first[1])}, breaks at {$this->say->sayLimit($limit->quantity, $first[2])}";
    }

    /** "Rail pump, good for about 210 whp on pump fuel". */
    public function supply(FuelComponent $component): string
    {
        return "{$component->name}, good for about {$this->say->sayPower($component->goodFor ?? $this->fuel->carriedBy($component->supply))} on pump fuel";
    }

    private function typical(Cooler $cooler): string
    {
        return sprintf(
            'Typical of such a core (%s L): %s %% at %s kg/s, stores %s kJ/K, gives off %s W/K.',
            $this->number(1000.0 * ($cooler->core->volume ?? 0.0), 1), $this->number(100.0 * $cooler->effectiveness), $this->number($cooler->ratedFlow ?? 0.0, 2), $this->number($cooler->capacity / 1000.0), $this->number($cooler->conductance),
        );
    }

    private function goodFor(FuelComponent $component): string
    {
        $power = $component->goodFor ?? 0.0;
        $volume = $this->fuel->volume($power);
        $flow = $component->supply instanceof CamPump ? "{$this->number(1e6 * $volume / ($this->fuel->powerRpm / 60.0), 3)} cc per rev at {$this->say->sayRpm($this->fuel->powerRpm)}" : "{$this->number(3.6e6 * $volume)} L/h, {$this->number(6e7 * $volume)} cc/min in all";

        return "{$component->name}: {$this->say->sayPower($power)} on pump fuel take {$flow}, at {$this->number($this->fuel->consumption())} g/kWh at the crank.";
    }

    private function number(float $value, int $decimals = 0): string
    {
        return $this->say->numerals->write($value, $decimals);
    }
}
