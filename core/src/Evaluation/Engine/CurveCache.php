<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Closure;

/** Keeps a whole grid at a time: for likely figures, which always look at all of it. */
final class CurveCache implements EvaluationCache
{
    /** @var array<string, list<float>> */
    private array $known = [];

    public function flat(string $key, SpeedGrid $grid, Closure $make): array
    {
        return $this->known["{$grid->name} {$key}"] ??= $make($grid);
    }
}
