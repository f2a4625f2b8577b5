<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Evaluation\FigureStore;

/**
 * Figures of stages in the database, under keys that hold the rules as well. What was computed is not written by itself: a page
 * that is only looked at writes nothing.
 */
final class StoredFigures implements FigureStore
{
    /** @var array<string, list<mixed>> */
    private array $computed = [];

    public function known(array $keys): array
    {
        $named = array_combine(array_map(self::key(...), $keys), $keys);
        $known = array_intersect_key($this->computed, array_flip($keys));
        foreach (DB::table('stage_figures')->whereIn('key', array_keys($named))->get(['key', 'figures']) as $row) {
            $known[$named[$row->key]] = json_decode($row->figures, true);
        }

        return $known;
    }

    public function keep(array $figures): void
    {
        $this->computed += $figures;
    }

    /** @return list<array{key: string, figures: list<mixed>}> what was computed and is not kept yet, as rows of stage_figures */
    public function rows(): array
    {
        return array_map(fn (string $key, array $figures): array => ['key' => self::key($key), 'figures' => $figures], array_keys($this->computed), $this->computed);
    }

    private static function key(string $key): string
    {
        return hash('xxh128', RuleSources::current().$key);
    }
}
