<?php

namespace App\Providers;

use App\Database\Connector;
use App\Exceptions\LostConnection;
use App\Identity\PeopleSessions;
use App\Suppliers\HttpCatalog;
use App\Suppliers\SupplierCatalog;
use Illuminate\Contracts\Database\LostConnectionDetector;
use Illuminate\Contracts\Foundation\Application;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Http\Client\Factory;
use Illuminate\Http\Middleware\TrustProxies;
use Illuminate\Support\Facades\Route;
use Illuminate\Support\Facades\Session;
use Illuminate\Support\Facades\Vite;
use Illuminate\Support\ServiceProvider;
use Pebblerun\Formats\DocumentReader;

final class AppServiceProvider extends ServiceProvider
{
    public function register(): void
    {
        $this->app->singleton(LostConnectionDetector::class, LostConnection::class);
        $this->app->bind('db.connector.pgsql', Connector::class);
        $this->app->bind(SupplierCatalog::class, fn (Application $app): HttpCatalog => new HttpCatalog($app->make(Factory::class), (string) config('pebblerun.supplier')));
        $this->app->singleton(DocumentReader::class, fn (): DocumentReader => DocumentReader::standard());
    }

    public function boot(): void
    {
        Session::extend('people', fn (Application $app): PeopleSessions => new PeopleSessions($app->make('db')->connection(), $app->make('auth'), $app->make('request'), 60 * (int) config('session.lifetime'), 60 * (int) config('session.absolute')));
        TrustProxies::at(config('pebblerun.proxies'));
        // Addresses of what a page needs carry no host: they are right behind any proxy.
        Vite::createAssetPathsUsing(fn (string $path): string => "/{$path}");
        Model::shouldBeStrict(! $this->app->isProduction());
        Model::unguard();
        // Numbers that a row can have: others name nothing.
        Route::patterns(['job' => '[0-9]{1,18}', 'plan' => '[0-9]{1,18}', 'variant' => '[0-9]{1,18}', 'platform' => '[0-9]{1,18}', 'part' => '[0-9]{1,18}', 'task' => '[0-9a-f-]{36}', 'number' => '[0-9]{1,9}', 'key' => '[a-z0-9][a-z0-9-]{0,63}', 'list' => '[0-9a-f-]{36}', 'supplier' => '[0-9]{1,18}', 'token' => '[A-Za-z0-9_-]{43}', 'membership' => '[0-9]{1,18}', 'session' => '[0-9a-f]{64}']);
    }
}
