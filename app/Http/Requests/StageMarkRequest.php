<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Job\Life\StageLife;

/** How far a stage is, from which day on; of one that is done, the car's mileage and where what came off lies. */
final class StageMarkRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...self::doneOnce(),
            'was' => ['required', Rule::enum(StageLife::class)],
            'life' => ['required', Rule::enum(StageLife::class)],
            'on' => $this->pastDay(),
            'km' => ['nullable', 'integer', 'min:0', 'max:2000000'],
            'stock_place' => ['nullable', 'string', 'max:200'],
        ];
    }

    public function was(): StageLife
    {
        return StageLife::from($this->string('was')->value());
    }

    public function life(): StageLife
    {
        return StageLife::from($this->string('life')->value());
    }

    public function km(): ?int
    {
        return $this->filled('km') ? $this->integer('km') : null;
    }
}
