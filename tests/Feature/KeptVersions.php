<?php

namespace Tests\Feature;

use Illuminate\Database\Connection;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\DB;

/** A released version's database, as its dump in before/ keeps it, in a schema of its own. */
trait KeptVersions
{
    protected function tearDown(): void
    {
        if (config('database.connections.before') !== null) {
            self::before()->unprepared('drop schema if exists before cascade');
            DB::purge('before');
        }
        parent::tearDown();
    }

    /** @return int how many migrations it had */
    private function bringBack(string $version): int
    {
        config(['database.connections.before' => [...(array) config('database.connections.pgsql'), 'search_path' => 'before, public']]);
        self::before()->unprepared('drop schema if exists before cascade; create schema before');
        $dump = (string) file_get_contents(__DIR__."/before/{$version}.sql");
        preg_match('/\A-- [0-9.]+, migrated to ([0-9_]+):/', $dump, $said) === 1 || self::fail('its first line says the version and its last migration');
        $old = array_values(array_filter(self::migrations(), fn (string $one): bool => basename($one) < $said[1].'~'));
        Artisan::call('migrate', ['--database' => 'before', '--realpath' => true, '--path' => $old]);
        self::before()->unprepared(str_replace(['INSERT INTO public.', 'UPDATE public.'], ['INSERT INTO before.', 'UPDATE before.'], $dump));

        return count($old);
    }

    private static function before(): Connection
    {
        return DB::connection('before');
    }

    /** @return list<string> */
    private static function migrations(): array
    {
        return glob(database_path('migrations/*.php')) ?: [];
    }
}
