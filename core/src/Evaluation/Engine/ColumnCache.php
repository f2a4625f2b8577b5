<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Closure;

/** Keeps a column of draws for each engine speed: stages that look at other speeds share those they have in common. */
final class ColumnCache implements EvaluationCache
{
    /** @var array<string, array<array-key, list<float>>> by key and rpm */
    private array $known = [];

    /** @param  positive-int  $rows  of each column */
    public function __construct(private readonly int $rows) {}

    public function flat(string $key, SpeedGrid $grid, Closure $make): array
    {
        $this->known[$key] ??= [];
        $missing = array_values(array_filter($grid->rpms, fn (float $rpm): bool => ! isset($this->known[$key]["{$rpm}"])));
        if ($missing !== []) {
            foreach (array_chunk($make(new SpeedGrid($missing)), $this->rows) as $place => $column) {
                $this->known[$key]["{$missing[$place]}"] = $column;
            }
        }

        return array_merge(...array_map(fn (float $rpm): array => $this->known[$key]["{$rpm}"], $grid->rpms));
    }
}
