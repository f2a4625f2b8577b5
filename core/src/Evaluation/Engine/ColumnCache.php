<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Closure;
use Pebblerun\Core\Evaluation\Memo;

/** Remembers a column of draws for each engine speed: stages that look at other speeds share those they have in common. */
final class ColumnCache implements EvaluationCache
{
    /** Of 512 figures each: about 10 MB. */
    private const MOST = 1200;

    /** @var Memo<list<float>> by key and rpm */
    private Memo $known;

    /** @param  positive-int  $rows  of each column */
    public function __construct(private readonly int $rows)
    {
        $this->known = new Memo(self::MOST);
    }

    public function flat(string $key, SpeedGrid $grid, Closure $make): array
    {
        $columns = $missing = [];
        foreach ($grid->rpms as $place => $rpm) {
            $column = $this->known->get("{$rpm} {$key}");
            $columns[$place] = $column ?? [];
            if ($column === null) {
                $missing[$place] = $rpm;
            }
        }
        if ($missing !== []) {
            $made = $make(new SpeedGrid(array_values($missing)));
            foreach (array_keys($missing) as $i => $place) {
                $columns[$place] = $this->known->put("{$missing[$place]} {$key}", array_slice($made, $i * $this->rows, $this->rows));
            }
        }

        return array_merge(...$columns);
    }
}
