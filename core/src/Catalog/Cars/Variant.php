<?php

namespace Pebblerun\Core\Catalog\Cars;

/** What cars of one model year differ by: with a filter or without, a smaller turbo, another head. */
final readonly class Variant
{
    /**
     * @param  ?int  $from  model year; null for the platform's first
     * @param  ?int  $to  likewise its last
     */
    public function __construct(public string $key, public string $name, public ?int $from = null, public ?int $to = null) {}

    public function isOf(int $year): bool
    {
        return ($this->from === null || $year >= $this->from) && ($this->to === null || $year <= $this->to);
    }
}
