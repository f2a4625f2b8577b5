<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** What every record of the library says beside its figures: who says so, when, on what, and where it is written. */
trait SaysARecord
{
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
        ];
    }

    /** @return array{kind: string, made_on: string, build: string, frame: string, source: string, note: ?string} */
    private function saidOfTheRecord(): array
    {
        return [
            'kind' => $this->string('kind')->value(), 'made_on' => $this->string('on')->value(), 'build' => $this->string('build')->value(),
            'frame' => $this->string('frame')->value(), 'source' => $this->string('source')->value(), 'note' => $this->filled('note') ? $this->string('note')->value() : null,
        ];
    }
}
