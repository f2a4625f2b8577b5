<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Advice\VerdictSubject;

/** A line of the verdict. */
final class FixesRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['subject' => ['required', Rule::enum(VerdictSubject::class)]];
    }

    public function subject(): VerdictSubject
    {
        return VerdictSubject::from($this->string('subject')->value());
    }
}
