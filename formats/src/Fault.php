<?php

namespace Pebblerun\Formats;

use Stringable;

/** One fault of a document: where, what, and what would be right. */
final readonly class Fault implements Stringable
{
    public function __construct(public string $path, public string $message) {}

    public function __toString(): string
    {
        return $this->path === '' ? $this->message : "{$this->path}: {$this->message}";
    }
}
