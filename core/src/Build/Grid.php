<?php

namespace Pebblerun\Core\Build;

/** Engine speeds that are looked at together. */
final readonly class Grid
{
    public string $name;

    /** @param  list<float>  $rpms  rising */
    public function __construct(public array $rpms)
    {
        $this->name = hash('xxh3', implode(' ', $rpms));
    }
}
