<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Closure;
use Pebblerun\Core\Evaluation\Memo;

/** Remembers a whole grid at a time: for likely figures, which always look at all of it. */
final class CurveCache implements EvaluationCache
{
    /** Of a hundred figures each: about 2 MB. */
    private const MOST = 1200;

    /** @var Memo<list<float>> */
    private Memo $known;

    public function __construct()
    {
        $this->known = new Memo(self::MOST);
    }

    public function flat(string $key, SpeedGrid $grid, Closure $make): array
    {
        $name = "{$grid->name} {$key}";

        return $this->known->get($name) ?? $this->known->put($name, $make($grid));
    }
}
