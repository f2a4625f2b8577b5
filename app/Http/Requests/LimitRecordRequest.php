<?php

namespace App\Http\Requests;

/** What somebody measured or claims that a component bears. */
final class LimitRecordRequest extends PersonRequest
{
    use SaysARecord;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...$this->aboutTheRecord(),
            'limit' => ['required', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
            'safe' => ['required', 'numeric', 'gt:0', 'max:100000'],
            'edge' => ['required', 'numeric', 'gt:0', 'max:100000'],
        ];
    }

    /** @return array<string, mixed> its figures in the shop's units */
    public function said(): array
    {
        return [...$this->saidOfTheRecord(), 'figures' => ['safe' => $this->float('safe'), 'edge' => $this->float('edge')]];
    }
}
