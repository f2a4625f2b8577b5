<?php

namespace App\Http\Requests;

/** A plan with everything it needs, as a text in the open format, and whose job it is to be. */
final class BundleRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['bundle' => ['required', 'string', 'max:8000000'], 'customer' => ['required', 'string', 'max:120'], 'title' => ['required', 'string', 'max:120']];
    }
}
