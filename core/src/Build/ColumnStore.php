<?php

namespace Pebblerun\Core\Build;

/** Keeps columns of draws from one estimate to the next. It may forget any of them at any time. */
interface ColumnStore
{
    /**
     * @param  list<string>  $names
     * @return array<string, list<float>> those that it has
     */
    public function get(array $names): array;

    /** @param  array<string, list<float>>  $columns  by name; a name always stands for the same column */
    public function put(array $columns): void;
}
