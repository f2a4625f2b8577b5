<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Physics\Dyno\DynoKind;

/** What every record of the library says beside its figures: who says so, when, on what, and where it is written. */
trait SaysARecord
{
    use SaysABuild;

    /** @return array<string, list<mixed>> */
    private function aboutTheRecord(): array
    {
        return [
            ...self::doneOnce(),
            'kind' => ['required', Rule::in(['maker', 'shop-dyno', 'other-dyno', 'judgement'])],
            'on' => $this->pastDay(),
            'build' => ['nullable', 'string', 'max:400'],
            'frame' => ['nullable', 'string', 'max:200'],
            'source' => ['nullable', 'string', 'max:400'],
            'note' => ['nullable', 'string', 'max:2000'],
            'frame_at' => ['nullable', Rule::in(['wheels', 'crank'])],
            'frame_dyno' => ['nullable', Rule::enum(DynoKind::class)],
            ...$this->aboutTheBuild(),
        ];
    }

    /** @return array<string, mixed> */
    private function saidOfTheRecord(): array
    {
        return [
            'kind' => $this->string('kind')->value(), 'made_on' => $this->string('on')->value(), 'build' => $this->string('build')->value(),
            'frame' => $this->string('frame')->value(), 'source' => $this->string('source')->value(), 'note' => $this->filled('note') ? $this->string('note')->value() : null,
            'frame_at' => $this->filled('frame_at') ? $this->string('frame_at')->value() : null, 'frame_dyno' => $this->filled('frame_dyno') ? $this->string('frame_dyno')->value() : null,
            ...$this->build(),
        ];
    }
}
