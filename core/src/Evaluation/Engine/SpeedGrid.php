<?php

namespace Pebblerun\Core\Evaluation\Engine;

/** Engine speeds that are looked at together. */
final readonly class SpeedGrid
{
    public string $name;

    /** @param  non-empty-list<float>  $rpms  rising */
    public function __construct(public array $rpms)
    {
        $this->name = hash('xxh3', implode(' ', $rpms));
    }
}
