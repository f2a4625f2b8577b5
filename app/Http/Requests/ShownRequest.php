<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Advice\VerdictSubject;

/** A part of a plan that is opened: which, and at which revision. */
final class ShownRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'revision' => ['sometimes', 'integer', 'min:1', 'max:2147483647'],
            'slot' => [Rule::requiredIf($this->routeIs('cell')), 'string', 'max:64'],
            'stage' => [Rule::requiredIf($this->routeIs('cell', 'stage')), 'integer', 'min:0', 'max:100'],
            'subject' => [Rule::requiredIf($this->routeIs('reasons', 'fixes')), Rule::enum(VerdictSubject::class)],
        ];
    }

    /** 0 for the plan as it stands. */
    public function revision(): int
    {
        return $this->integer('revision');
    }

    public function slot(): string
    {
        return $this->string('slot')->value();
    }

    public function stage(): int
    {
        return $this->integer('stage');
    }

    public function subject(): VerdictSubject
    {
        return VerdictSubject::from($this->string('subject')->value());
    }
}
