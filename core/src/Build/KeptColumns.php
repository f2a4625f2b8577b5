<?php

namespace Pebblerun\Core\Build;

use Closure;

/**
 * Keeps a column of draws for each engine speed: stages that look at other speeds share those they have in common, and a store
 * shares them with other estimates.
 */
final class KeptColumns implements Kept
{
    /** @var array<string, list<float>> by key and rpm */
    private array $known = [];

    /** @param  positive-int  $rows  of each column */
    public function __construct(private readonly int $rows, private readonly ?ColumnStore $store = null) {}

    public function flat(string $key, Grid $grid, Closure $make): array
    {
        $key = Estimator::METHOD."/{$this->rows}/".hash('xxh128', $key);
        $names = array_map(fn (float $rpm): string => "{$key}/{$rpm}", $grid->rpms);
        $missing = $this->missing($names);
        if ($missing !== [] && $this->store !== null) {
            $this->known += $this->store->get(array_values($missing));
            $missing = $this->missing($names);
        }
        if ($missing !== []) {
            $made = array_chunk($make(new Grid(array_values(array_intersect_key($grid->rpms, $missing)))), $this->rows);
            $columns = array_combine($missing, $made);
            $this->known += $columns;
            $this->store?->put($columns);
        }

        return array_merge(...array_map(fn (string $name): array => $this->known[$name], $names));
    }

    /**
     * @param  list<string>  $names
     * @return array<int, string> those not known, by place
     */
    private function missing(array $names): array
    {
        return array_filter($names, fn (string $name): bool => ! isset($this->known[$name]));
    }
}
