<?php

namespace App\Providers;

use App\Exceptions\LostConnection;
use Illuminate\Contracts\Database\LostConnectionDetector;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\ServiceProvider;
use Pebblerun\Formats\DocumentReader;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(LostConnectionDetector::class, LostConnection::class);
        $this->app->singleton(DocumentReader::class, fn (): DocumentReader => DocumentReader::standard());
    }

    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        Model::unguard();
        // Numbers that a row can have: others name nothing.
        Route::patterns(['job' => '[0-9]{1,18}', 'plan' => '[0-9]{1,18}', 'variant' => '[0-9]{1,18}', 'task' => '[0-9a-f-]{36}', 'number' => '[0-9]{1,9}']);
    }
}
