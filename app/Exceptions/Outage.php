<?php

namespace App\Exceptions;

use App\Security\WrongRole;
use Illuminate\Database\LostConnectionDetector;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use PDOException;
use Throwable;

/** A database that is not there, is full or may only be read: nothing is wrong with what was asked, it can be asked again. */
final class Outage
{
    private const MESSAGE = 'The shop’s database does not answer. Nothing was changed; it is tried again.';

    /** s */
    private const AGAIN_AFTER = 5;

    /** Source: PostgreSQL, appendix A: connection exception, insufficient resources, operator intervention (a timeout too), lock not available, read-only transaction. */
    private const STATES = '/^(08|53|57P|57014|55P03|25006)/';

    public static function is(PDOException $fault): bool
    {
        $state = $fault->errorInfo[0] ?? (preg_match('/SQLSTATE\[(\w{5})\]/', $fault->getMessage(), $found) === 1 ? $found[1] : '');

        // A rollback on a connection that was just lost tells no state of PostgreSQL's.
        return preg_match(self::STATES, (string) $state) === 1 || (new LostConnectionDetector)->causedByLostConnection($fault);
    }

    /** Also where nothing is served because the web has another role than its own. */
    public static function isOutage(Throwable $fault): bool
    {
        return $fault instanceof WrongRole || ($fault instanceof PDOException && self::is($fault));
    }

    public static function answer(Request $request): JsonResponse|Response
    {
        // A page that was asked for is asked for again; what was sent is not sent again.
        $again = $request->isMethodSafe() ? (string) self::AGAIN_AFTER : self::AGAIN_AFTER.'; url=/';
        $headers = ['Retry-After' => (string) self::AGAIN_AFTER, 'Refresh' => $again];

        return $request->expectsJson() || $request->isJson()
            ? response()->json(['message' => self::MESSAGE], 503, $headers)
            : response()->view('outage', ['message' => self::MESSAGE], 503, $headers);
    }
}
