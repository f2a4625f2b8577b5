<?php

use App\Exceptions\DatabaseFault;
use App\Exceptions\FaultPage;
use App\Exceptions\Outage;
use App\Exceptions\Refused;
use App\Http\Middleware\ReadBody;
use App\Http\Middleware\RefuseControlCharacters;
use App\Http\Middleware\RequestId;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SharePageData;
use App\Http\Middleware\ShopOfRequest;
use App\Logging\FaultsOfStrangers;
use App\Queries\Health;
use App\Security\WrongRole;
use Illuminate\Console\Scheduling\Schedule;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Support\Facades\Cache;
use Pebblerun\Core\CoreException;
use Pebblerun\Formats\InvalidDocument;
use Symfony\Component\HttpFoundation\Response;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php')
    ->withSchedule(function (Schedule $schedule): void {
        $schedule->call(fn () => Cache::put(Health::BEAT, time(), 3600))->everyMinute();
        // On one of several machines.
        $schedule->command('pebblerun:summaries')->dailyAt('03:10')->onOneServer();
        $schedule->command('suppliers:refresh')->dailyAt('02:50')->onOneServer();
        $schedule->command('pebblerun:prune')->dailyAt('03:40')->onOneServer();
        $schedule->command('pebblerun:backup')->dailyAt('02:20')->onOneServer();
    })
    ->withMiddleware(function (Middleware $middleware): void {
        $middleware->prepend([RequestId::class, SecurityHeaders::class, ReadBody::class]);
        $middleware->web(append: [ShopOfRequest::class, RefuseControlCharacters::class, SharePageData::class]);
        $middleware->prependToPriorityList(before: SubstituteBindings::class, prepend: ShopOfRequest::class);
        $middleware->trustHosts(at: fn (): array => array_map(fn (string $host): string => '^'.preg_quote($host).'$', config('pebblerun.hosts')), subdomains: false);
        // Documents are taken as they are: an empty name is an empty name.
        $middleware->convertEmptyStringsToNull(except: [fn (Request $request): bool => $request->isJson()]);
        $middleware->trimStrings(except: [fn (Request $request): bool => $request->isJson()]);
        $middleware->validateCsrfTokens(except: ['sign-in', 'sign-in/code', 'sign-in/link/*', 'forgotten', 'password/*', 'begin/*']);
        $middleware->redirectGuestsTo(fn (Request $request): string => '/sign-in'.($request->isMethod('GET') && $request->getRequestUri() !== '/' ? '?next='.rawurlencode($request->getRequestUri()) : ''));
        $middleware->redirectUsersTo('/');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        $refused = fn (Throwable $fault): JsonResponse => response()->json(['message' => $fault->getMessage()], 422);
        $exceptions->report(function (PDOException $fault): bool {
            DatabaseFault::note($fault);

            return false;
        });
        $exceptions->report(fn (Throwable $fault): bool => ! FaultsOfStrangers::told($fault));
        $exceptions->dontReport([Refused::class, InvalidDocument::class]);
        $exceptions->render(fn (Refused $fault): JsonResponse => response()->json($fault->answer, $fault->status));
        $exceptions->render(fn (PDOException $fault, Request $request): ?Response => Outage::is($fault) ? Outage::answer($request) : null);
        $exceptions->render(fn (WrongRole $fault, Request $request): Response => Outage::answer($request));
        $exceptions->render(fn (InvalidDocument $fault): JsonResponse => $refused($fault));
        $exceptions->render(fn (CoreException $fault): JsonResponse => $refused($fault));
        $exceptions->respond(fn (Response $answer, Throwable $fault, Request $request): Response => FaultPage::of($answer, $fault, $request));
    })->create();
