<?php

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * Names the shop of a request to the database, which shows no other's rows; none for a visitor. Connections are used again, so every
 * request says it, before anything of a shop is looked up.
 */
final class ShopOfRequest
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->user();
        DB::statement("select set_config('pebblerun.shop', ?, false)", [$person instanceof User ? (string) $person->shop_id : '']);

        return $next($request);
    }
}
