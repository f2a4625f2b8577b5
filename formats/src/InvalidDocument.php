<?php

namespace Pebblerun\Formats;

use RuntimeException;

/** A document that was refused, with every fault found. */
final class InvalidDocument extends RuntimeException
{
    /** @param  non-empty-list<Fault>  $faults */
    public function __construct(public readonly array $faults)
    {
        parent::__construct(implode("\n", array_map(fn (Fault $fault): string => (string) $fault, $faults)));
    }

    public static function because(string $path, string $message): self
    {
        return new self([new Fault($path, $message)]);
    }
}
