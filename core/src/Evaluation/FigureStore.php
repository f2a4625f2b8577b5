<?php

namespace Pebblerun\Core\Evaluation;

/**
 * Where costly figures of stages are kept, each under a key of all that it was computed from except the rules themselves: a
 * store that outlives a change of the rules adds them to the key.
 */
interface FigureStore
{
    /**
     * Asked once for all stages of a plan.
     *
     * @param  list<string>  $keys
     * @return array<string, list<mixed>> those that are kept, by key
     */
    public function known(array $keys): array;

    /** @param  array<string, list<mixed>>  $figures  computed now, by key */
    public function keep(array $figures): void;
}
