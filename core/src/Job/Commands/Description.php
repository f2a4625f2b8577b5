<?php

namespace Pebblerun\Core\Job\Commands;

/** What was done to a plan: a code with its parameters. A revision stores it; the report writes the words. */
final readonly class Description
{
    /** @param  array<string, string|int|float|bool|null>  $parameters  names and numbers as they were then */
    public function __construct(public string $code, public array $parameters = []) {}

    /** @return array{code: string, parameters: array<string, string|int|float|bool|null>} */
    public function toArray(): array
    {
        return ['code' => $this->code, 'parameters' => $this->parameters];
    }

    /** @param  array{code: string, parameters?: array<string, string|int|float|bool|null>}  $stored  as toArray() gave it */
    public static function stored(array $stored): self
    {
        return new self($stored['code'], $stored['parameters'] ?? []);
    }
}
