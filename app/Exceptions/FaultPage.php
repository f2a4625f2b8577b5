<?php

namespace App\Exceptions;

use App\Security\RequestName;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\Response as Answer;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;
use Throwable;

/** Pages and answers for what goes wrong: what it is, and what to do; never what the code calls it. */
final class FaultPage
{
    /** Title and what to do, by status. */
    private const WORDS = [
        400 => ['This request is not right', 'Open the page anew and try again.'],
        403 => ['Not for your role', 'Ask an owner of the shop.'],
        404 => ['There is nothing here', 'It may have been deleted, or the address has a slip in it.'],
        405 => ['This cannot be done here', 'Open the page anew and try again.'],
        413 => ['Too much was sent', 'Send less at once.'],
        419 => ['This page was open too long', 'Open it anew and send it again; nothing was changed.'],
        429 => ['Too many requests', 'Wait a little, then try again.'],
        500 => ['Something went wrong here', 'It was noted. What you did before is saved; try again, and tell who runs this if it stays.'],
        503 => ['Not to be reached just now', 'Nothing was changed; it is tried again.'],
    ];

    public static function of(Answer $answer, Throwable $fault, Request $request): Answer
    {
        $status = $answer->getStatusCode();
        if (! isset(self::WORDS[$status]) || $fault instanceof Refused || Outage::isOutage($fault) || $answer->headers->has('X-Inertia-Location')) {
            return $answer;
        }
        [$title, $todo] = self::WORDS[$status];
        $said = self::said($fault);
        $todo = $status === 500 ? "{$todo} (".RequestName::of($request).')' : $todo;
        $page = $request->expectsJson() || $request->isJson()
            ? new JsonResponse(['message' => $said ?? "{$title}. {$todo}"], $status)
            : new Response(view('fault', ['title' => $title, 'message' => $said ?? $todo])->render(), $status);
        foreach (['Retry-After', 'Allow'] as $kept) {
            $answer->headers->has($kept) && $page->headers->set($kept, (string) $answer->headers->get($kept));
        }

        return $page;
    }

    /** What was said on purpose; the framework's own words name its classes. */
    private static function said(Throwable $fault): ?string
    {
        $own = $fault instanceof HttpExceptionInterface && in_array($fault->getStatusCode(), [403, 413, 419], true);

        return $own && $fault->getMessage() !== '' && ! str_contains($fault->getMessage(), '\\') && ! in_array($fault->getMessage(), ['This action is unauthorized.', 'CSRF token mismatch.'], true) ? $fault->getMessage() : null;
    }
}
