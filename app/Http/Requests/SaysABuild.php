<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Catalog\Cars\CarUse;

/** On what build something was found: fuel, map and its writer, use, distance, and how much of it was hard. */
trait SaysABuild
{
    /** @return array<string, list<mixed>> */
    private function aboutTheBuild(): array
    {
        return [
            'fuel' => ['nullable', 'string', Rule::in(array_column($this->person()->shop->document['fuels'], 'key'))],
            'map_sound' => ['nullable', 'boolean'],
            'map_by' => ['nullable', 'string', 'max:200'],
            'used_on' => ['nullable', Rule::enum(CarUse::class)],
            'km' => ['nullable', 'integer', 'min:0', 'max:2000000'],
            'hard_percent' => ['nullable', 'numeric', 'min:0', 'max:100'],
        ];
    }

    /** @return array{fuel: ?string, map_sound: ?bool, map_by: string, used_on: ?string, km: ?int, hard_share: ?float} */
    private function build(): array
    {
        return [
            'fuel' => $this->filled('fuel') ? $this->string('fuel')->value() : null,
            'map_sound' => $this->filled('map_sound') ? $this->boolean('map_sound') : null,
            'map_by' => $this->string('map_by')->value(),
            'used_on' => $this->filled('used_on') ? $this->string('used_on')->value() : null,
            'km' => $this->filled('km') ? $this->integer('km') : null,
            'hard_share' => $this->filled('hard_percent') ? $this->float('hard_percent') / 100.0 : null,
        ];
    }
}
