<?php

use App\Exceptions\NothingToUndo;
use App\Exceptions\Outage;
use App\Exceptions\OutdatedBrief;
use App\Exceptions\OutdatedRevision;
use App\Exceptions\Overtaken;
use App\Exceptions\RequestReused;
use App\Http\Middleware\RefuseControlCharacters;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SharePageData;
use App\Queries\ConflictAnswer;
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
        $exceptions->dontReport([OutdatedRevision::class, OutdatedBrief::class, Overtaken::class, NothingToUndo::class, RequestReused::class, InvalidDocument::class]);
        $exceptions->render(fn (OutdatedRevision $fault): JsonResponse => response()->json(ConflictAnswer::ofPlan($fault), 409));
        $exceptions->render(fn (OutdatedBrief $fault): JsonResponse => response()->json(ConflictAnswer::ofBrief($fault), 409));
        $exceptions->render(fn (Overtaken $fault): JsonResponse => response()->json(['message' => $fault->getMessage()], 503, ['Retry-After' => '1']));
        $exceptions->render(fn (RequestReused $fault): JsonResponse => $refused($fault));
        $exceptions->render(fn (PDOException $fault, Request $request): ?Response => Outage::is($fault) ? Outage::answer($request) : null);
        $exceptions->render(fn (NothingToUndo $fault): JsonResponse => $refused($fault));
        $exceptions->render(fn (InvalidDocument $fault): JsonResponse => $refused($fault));
        $exceptions->render(fn (CoreException $fault): JsonResponse => $refused($fault));
    })->create();
