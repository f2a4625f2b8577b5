<?php

namespace App\Http\Requests;

/** Taking what the rule says of a gain. */
final class RuleRequest extends SeenRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['seen' => ['required', 'integer', 'min:0', 'max:2000000000'], 'case' => ['required', 'integer', 'min:1', 'max:'.PHP_INT_MAX]];
    }
}
