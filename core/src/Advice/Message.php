<?php

namespace Pebblerun\Core\Advice;

use BackedEnum;

/** Something to say, as a code with its parameters: figures in SI, parts, limits. The report writes the words. */
final readonly class Message
{
    /** @param  array<string, mixed>  $parameters  each code lists its own */
    public function __construct(public BackedEnum $code, public array $parameters = []) {}
}
