<?php

namespace Tests\Races;

use App\Actions\ImportFolder;
use App\Security\DemoPeople;
use Illuminate\Contracts\Console\Kernel;
use Illuminate\Foundation\Testing\TestCase;
use Illuminate\Support\Facades\Artisan;

/** With the demo shop in a database that several processes see: nothing is rolled back. */
abstract class ProcessCase extends TestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $database = (string) config('database.connections.pgsql.database');
        if (! str_ends_with($database, '_races')) {
            self::fail("The races empty their database, which must end in _races, not be \"{$database}\": run bin/test.");
        }
        Artisan::call('migrate:fresh', ['--force' => true]);
        app(ImportFolder::class)->into(base_path('demo'), DemoPeople::ALL);
    }

    public function createApplication()
    {
        $app = require __DIR__.'/../../bootstrap/app.php';
        $app->make(Kernel::class)->bootstrap();

        return $app;
    }
}
