<?php

namespace App\Http\Requests;

/** How far back the history goes on. */
final class HistoryRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['before' => ['sometimes', 'integer', 'min:1', 'max:2147483647']];
    }

    /** 0 from the latest. */
    public function before(): int
    {
        return $this->integer('before');
    }
}
