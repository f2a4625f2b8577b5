<?php

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/** Who was deactivated has no access from that moment on. The shop is brought to the terms of today. */
final readonly class MemberOfShop
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $person = $request->user();
        if ($person instanceof User && ! $person->isMember()) {
            Auth::guard('web')->logout();
            $request->session()->invalidate();
            throw new AuthenticationException('This account has no access any more.');
        }

        if ($person instanceof User) {
            $person->shop->settleDue();
        }

        return $next($request);
    }
}
