<?php

namespace Tests;

use App\Actions\ImportFolder;
use App\Console\Commands\LoadDemo;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\User;
use Illuminate\Foundation\Testing\RefreshDatabase;
use Illuminate\Foundation\Testing\TestCase as LaravelTestCase;

/** On PostgreSQL, with the demo shop loaded by the importer. */
abstract class TestCase extends LaravelTestCase
{
    use RefreshDatabase {
        migrateDatabases as private makeTables;
    }

    protected function setUp(): void
    {
        parent::setUp();
        $this->withoutVite();
    }

    /** Once for the whole run: every test rolls back what it did. */
    protected function migrateDatabases(): void
    {
        $this->makeTables();
        app(ImportFolder::class)->into(base_path('demo'), LoadDemo::PEOPLE);
    }

    /** The suite empties its database: never one that is not its own. */
    protected function beforeRefreshingDatabase(): void
    {
        $database = (string) config('database.connections.pgsql.database');
        if (! str_ends_with($database, '_test')) {
            self::fail("The tests run on a database whose name ends in _test, not on \"{$database}\": run bin/test.");
        }
    }

    protected function person(string $role): User
    {
        return User::query()->where('role', $role)->firstOrFail();
    }

    protected function job(string $title = 'Skarn Hill commuter'): CustomerJob
    {
        return CustomerJob::query()->where('title', $title)->firstOrFail();
    }

    protected function plan(string $title = 'Skarn Hill commuter'): Plan
    {
        return $this->job($title)->plan()->firstOrFail();
    }
}
