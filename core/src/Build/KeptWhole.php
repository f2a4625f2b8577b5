<?php

namespace Pebblerun\Core\Build;

use Closure;

/** Keeps a whole grid at a time: for likely figures, which always look at all of it. */
final class KeptWhole implements Kept
{
    /** @var array<string, list<float>> */
    private array $known = [];

    public function flat(string $key, Grid $grid, Closure $make): array
    {
        return $this->known["{$grid->name} {$key}"] ??= $make($grid);
    }
}
