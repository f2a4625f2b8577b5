<?php

use App\Exceptions\Outage;
use App\Exceptions\Refused;
use App\Http\Middleware\RefuseControlCharacters;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SharePageData;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Pebblerun\Core\CoreException;
use Pebblerun\Formats\InvalidDocument;
use Symfony\Component\HttpFoundation\Response;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php')
    ->withSchedule(fn (Schedule $schedule) => $schedule->command('pebblerun:prune')->dailyAt('03:40'))
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->web(append: [SecurityHeaders::class, RefuseControlCharacters::class, SharePageData::class]);
        // Documents are taken as they are: an empty name is an empty name.
        $middleware->convertEmptyStringsToNull(except: [fn (Request $request): bool => $request->isJson()]);
        $middleware->trimStrings(except: [fn (Request $request): bool => $request->isJson()]);
        $middleware->redirectGuestsTo('/sign-in');
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $refused = fn (Throwable $fault): JsonResponse => response()->json(['message' => $fault->getMessage()], 422);
        $exceptions->dontReport([Refused::class, InvalidDocument::class]);
        $exceptions->render(fn (Refused $fault): JsonResponse => response()->json($fault->answer, $fault->status));
        $exceptions->render(fn (PDOException $fault, Request $request): ?Response => Outage::is($fault) ? Outage::answer($request) : null);
        $exceptions->render(fn (InvalidDocument $fault): JsonResponse => $refused($fault));
        $exceptions->render(fn (CoreException $fault): JsonResponse => $refused($fault));
    })->create();
