<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Units\MassUnit;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\PressureUnit;
use Pebblerun\Core\Units\TemperatureUnit;
use Pebblerun\Core\Units\TorqueUnit;

/** What a person wants to read in. */
final class UnitsRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'units.power' => ['required', Rule::enum(PowerUnit::class)],
            'units.torque' => ['required', Rule::enum(TorqueUnit::class)],
            'units.pressure' => ['required', Rule::enum(PressureUnit::class)],
            'units.temperature' => ['required', Rule::enum(TemperatureUnit::class)],
            'units.mass' => ['required', Rule::enum(MassUnit::class)],
            'numerals' => ['required', Rule::enum(Numerals::class)],
        ];
    }

    /** @return array<string, string> */
    public function units(): array
    {
        /** @var array<string, string> */
        return $this->validated('units');
    }

    public function numerals(): Numerals
    {
        return Numerals::from($this->string('numerals')->value());
    }
}
