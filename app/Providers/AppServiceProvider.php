<?php

namespace App\Providers;

use App\Assembly\SharedColumns;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\ServiceProvider;
use Pebblerun\Core\Build\ColumnStore;
use Pebblerun\Formats\Door;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(ColumnStore::class, SharedColumns::class);
        $this->app->singleton(Door::class, fn (): Door => Door::standard());
    }

    public function boot(): void
    {
        Model::shouldBeStrict(! $this->app->isProduction());
        Model::unguard();
    }
}
