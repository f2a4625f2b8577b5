<?php

namespace App\Http\Controllers;

use App\Actions\People\TellChange;
use App\Http\Requests\SignInRequest;
use App\Models\User;
use App\Security\Audit;
use App\Security\AuditEvent;
use App\Security\Credentials;
use App\Security\DemoPeople;
use App\Security\PendingSignIn;
use App\Security\SecondFactor;
use App\Security\Tries;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response as Page;
use Illuminate\Support\Facades\Auth;
use Inertia\Inertia;
use Symfony\Component\HttpFoundation\Response;

/** Pages of their own, without the interface and without a session: who comes from there loads them whole. */
final class SignInController
{
    public function __construct(private readonly Audit $audit) {}

    public function show(Request $request): Response
    {
        return $request->hasHeader('X-Inertia') ? Inertia::location('/sign-in') : self::page('sign-in', $request);
    }

    public function store(SignInRequest $request, Credentials $credentials, Tries $tries, PendingSignIn $pending): Response
    {
        $person = $request->authenticate($credentials, $tries, $this->audit);
        if (is_string($person)) {
            return self::page('sign-in', $request, $person);
        }
        $tries->cleared($person->email, (string) $request->ip());
        if ($person->second_factor_on) {
            $pending->begin($person);

            return redirect('/sign-in/code'.self::onward($request));
        }

        return $this->in($person, $request);
    }

    public function code(Request $request, PendingSignIn $pending): Response
    {
        return $pending->person($request) === null ? redirect('/sign-in'.self::onward($request)) : self::page('code', $request);
    }

    public function confirm(Request $request, PendingSignIn $pending, SecondFactor $factor, Tries $tries): Response
    {
        $person = $pending->person($request);
        if ($person === null) {
            return self::page('sign-in', $request, 'That took too long: begin again.');
        }
        $wait = $tries->wait("code {$person->email}", (string) $request->ip());
        if ($wait > 0) {
            return self::page('code', $request, "Too many tries. Wait {$wait} seconds and try again.");
        }
        if (! $factor->passes($person, mb_substr($request->string('code')->value(), 0, 40))) {
            $tries->failed("code {$person->email}", (string) $request->ip());
            $this->audit->note(AuditEvent::SignInRefused, $person, ['at' => 'second factor']);

            return self::page('code', $request, 'This code is not right, or was used before. Wait for the next one.');
        }
        $pending->end();
        if (count($person->recovery_codes ?? []) !== count($person->refresh()->recovery_codes ?? [])) {
            TellChange::of($person, AuditEvent::RecoveryCodeUsed);
        }

        return $this->in($person, $request);
    }

    public function destroy(Request $request): RedirectResponse
    {
        $person = $request->user();
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();
        $person instanceof User && $this->audit->note(AuditEvent::SignedOut, $person);

        return redirect('/sign-in');
    }

    private function in(User $person, Request $request): RedirectResponse
    {
        Auth::guard('web')->login($person);
        $request->session()->regenerate(true);
        $person->update(['signed_in_at' => now()]);
        $this->audit->note(AuditEvent::SignedIn, $person);

        return redirect(self::next($request) ?? '/');
    }

    private static function page(string $view, Request $request, ?string $fault = null): Page
    {
        return response()->view($view, ['fault' => $fault, 'next' => self::next($request), 'email' => mb_substr($request->string('email')->value(), 0, 200), 'demo' => DemoPeople::shown()], $fault === null ? 200 : 422);
    }

    /** The page that was asked for before: one of ours, and nothing that a browser takes for another host. */
    private static function next(Request $request): ?string
    {
        $next = $request->string('next')->value();

        return preg_match('#^/(?![/\\\\])[\x21-\x7e]{0,500}$#D', $next) === 1 && ! str_contains($next, '\\') ? $next : null;
    }

    private static function onward(Request $request): string
    {
        $next = self::next($request);

        return $next === null ? '' : '?next='.rawurlencode($next);
    }
}
