<?php

namespace App\Assembly;

use Pebblerun\Core\Build\ColumnStore;

/** Columns of draws in the memory that the workers of a machine share. Where there is none, nothing is kept. */
final class SharedColumns implements ColumnStore
{
    private const PREFIX = 'pebblerun/columns/';

    public function get(array $names): array
    {
        if (! apcu_enabled()) {
            return [];
        }
        /** @var array<string, list<float>> $found */
        $found = apcu_fetch(array_map(fn (string $name): string => self::PREFIX.$name, $names));
        $columns = [];
        foreach ($found as $name => $column) {
            $columns[substr($name, strlen(self::PREFIX))] = $column;
        }

        return $columns;
    }

    public function put(array $columns): void
    {
        if (! apcu_enabled()) {
            return;
        }
        foreach ($columns as $name => $column) {
            apcu_store(self::PREFIX.$name, $column);
        }
    }
}
