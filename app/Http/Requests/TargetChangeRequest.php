<?php

namespace App\Http\Requests;

use Pebblerun\Core\Units\UnitSystem;

/** Target or budget dragged on the run: the target in the person's own unit of power. */
final class TargetChangeRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'power' => ['required_without:budget', 'numeric', 'min:1', 'max:5000'],
            'budget' => ['required_without:power', 'numeric', 'min:0', 'max:10000000'],
        ];
    }

    /** In the shop's unit, as the brief keeps it. */
    public function power(): ?float
    {
        $person = $this->person();
        $shop = UnitSystem::parse($person->shop->units);

        return $this->has('power') ? round($this->float('power') * $person->unitSystem()->power->watts() / $shop->power->watts(), 1) : null;
    }

    public function budget(): ?float
    {
        return $this->has('budget') ? $this->float('budget') : null;
    }
}
