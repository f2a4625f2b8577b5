<?php

namespace App\Http\Requests;

/** Words that something is looked for by. */
final class SearchRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['q' => ['present', 'nullable', 'string', 'max:80']];
    }

    public function words(): string
    {
        return mb_strtolower(trim($this->string('q')->value()));
    }
}
