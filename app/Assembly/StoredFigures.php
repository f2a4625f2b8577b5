<?php

namespace App\Assembly;

use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Evaluation\FigureStore;

/**
 * Figures of stages in the database, under keys that hold the rules as well. What was computed is written when somebody says
 * so: a page that is only looked at writes nothing.
 */
final class StoredFigures implements FigureStore
{
    /** @var array<string, list<mixed>> */
    private array $computed = [];

    public function known(array $keys): array
    {
        $named = array_combine(array_map(self::key(...), $keys), $keys);
        $known = [];
        foreach (DB::table('stage_figures')->whereIn('key', array_keys($named))->get(['key', 'figures']) as $row) {
            $known[$named[$row->key]] = json_decode($row->figures, true);
        }

        return $known;
    }

    public function keep(array $figures): void
    {
        $this->computed += $figures;
    }

    public function write(): void
    {
        $rows = [];
        foreach ($this->computed as $key => $figures) {
            $rows[] = ['key' => self::key($key), 'figures' => json_encode($figures, JSON_THROW_ON_ERROR)];
        }
        $this->computed = [];
        if ($rows !== []) {
            DB::table('stage_figures')->insertOrIgnore($rows);
        }
    }

    private static function key(string $key): string
    {
        return hash('xxh128', RuleSources::current().$key);
    }
}
