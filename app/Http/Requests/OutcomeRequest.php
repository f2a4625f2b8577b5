<?php

namespace App\Http\Requests;

/** What became of a component: under which load, for how long, and how it ended. */
final class OutcomeRequest extends PersonRequest
{
    use SaysABuild;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...self::doneOnce(),
            'limit' => ['required', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
            'load' => ['required', 'numeric', 'gt:0', 'max:100000'],
            'broke' => ['required', 'boolean'],
            'months' => ['required', 'integer', 'min:0', 'max:600'],
            'how' => ['nullable', 'string', 'max:2000'],
            'on' => $this->pastDay(),
            ...$this->aboutTheBuild(),
        ];
    }

    /** @return array<string, mixed> its load in the shop's units */
    public function said(): array
    {
        return ['load' => $this->float('load'), 'broke' => $this->boolean('broke'), 'months' => $this->integer('months'), 'how' => $this->string('how')->value(), 'seen_on' => $this->string('on')->value(), ...$this->build()];
    }
}
