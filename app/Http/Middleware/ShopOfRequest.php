<?php

namespace App\Http\Middleware;

use App\Models\User;
use App\Security\NamedShop;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Names shop and person of a request to the database; none for a visitor. Connections are used again, so every request says it, before
 * anything of a shop is looked up.
 */
final class ShopOfRequest
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->user();
        $person instanceof User ? NamedShop::say($person->shop_id, $person->id) : NamedShop::say(null, null);

        return $next($request);
    }
}
