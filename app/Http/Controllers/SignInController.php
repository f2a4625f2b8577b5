<?php

namespace App\Http\Controllers;

use App\Actions\People\TellChange;
use App\Http\Requests\SignInRequest;
use App\Identity\Audit;
use App\Identity\Credentials;
use App\Identity\KnownPlaces;
use App\Identity\PendingSignIn;
use App\Identity\PersonLinks;
use App\Identity\SecondFactor;
use App\Jobs\SendSignInLink;
use App\Models\User;
use App\Security\AuditEvent;
use App\Security\DemoPeople;
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
        $email = $request->address();
        if ($tries->wait($email, (string) $request->ip(), KnownPlaces::knows($email, (string) $request->ip())) > 0) {
            // Whoever is right proves it by their authenticator or their mail; nobody learns here whether they were.
            $person = $credentials->personWith($email, $request->password());
            $pending->begin($person, $email);
            SendSignInLink::dispatch($email, $person !== null);

            return redirect('/sign-in/code?often=1'.(self::next($request) === null ? '' : '&next='.rawurlencode((string) self::next($request))));
        }
        $person = $credentials->personWith($email, $request->password());
        if ($person === null) {
            $request->noteRefusal($tries, $this->audit);

            return self::page('sign-in', $request, 'This address and password do not belong together.');
        }
        $tries->cleared($person->email, (string) $request->ip());
        if ($person->second_factor_on) {
            $pending->begin($person, $email);

            return redirect('/sign-in/code'.self::onward($request));
        }

        return $this->in($person, $request);
    }

    public function code(Request $request, PendingSignIn $pending): Response
    {
        return $pending->email($request) === null ? redirect('/sign-in'.self::onward($request)) : self::page('code', $request);
    }

    public function confirm(Request $request, PendingSignIn $pending, SecondFactor $factor, Tries $tries): Response
    {
        $email = $pending->email($request);
        if ($email === null) {
            return self::page('sign-in', $request, 'That took too long: begin again.');
        }
        $wait = $tries->wait("code {$email}", (string) $request->ip(), KnownPlaces::knows($email, (string) $request->ip()));
        if ($wait > 0) {
            return self::page('code', $request, "Too many tries. Wait {$wait} seconds and try again.");
        }
        $person = $pending->person($request);
        if ($person === null || ! $person->second_factor_on || ! $factor->passes($person, mb_substr($request->string('code')->value(), 0, 40))) {
            $tries->failed("code {$email}", (string) $request->ip());
            $person === null || $this->audit->note(AuditEvent::SignInRefused, $person, ['at' => 'second factor']);

            return self::page('code', $request, 'This code is not right, or was used before. Wait for the next one.');
        }
        $pending->end();
        if (count($person->recovery_codes ?? []) !== count($person->refresh()->recovery_codes ?? [])) {
            TellChange::of($person, AuditEvent::RecoveryCodeUsed);
        }

        return $this->in($person, $request);
    }

    /** A page first: what looks at links in mails for somebody signs nobody in. */
    public function link(string $token, PersonLinks $links): Response
    {
        return $links->find(PersonLinks::SIGN_IN, $token) === null ? self::stale() : response()->view('sign-in-link');
    }

    public function useLink(Request $request, string $token, PersonLinks $links, PendingSignIn $pending): Response
    {
        $link = $links->find(PersonLinks::SIGN_IN, $token);
        $person = $link?->user;
        if ($link === null || $person === null || ! $links->use($link) || ! $person->comesIn()) {
            return self::stale();
        }
        if ($person->second_factor_on) {
            $pending->begin($person, $person->email);

            return redirect('/sign-in/code');
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

    /** For nginx: more than a little is read from who is signed in only. */
    public function signedIn(): Page
    {
        return response()->noContent();
    }

    private function in(User $person, Request $request): RedirectResponse
    {
        Auth::guard('web')->login($person);
        $request->session()->regenerate(true);
        $person->update(['signed_in_at' => now()]);
        KnownPlaces::note($person, (string) $request->ip());
        $this->audit->note(AuditEvent::SignedIn, $person);

        return redirect(self::next($request) ?? '/');
    }

    private static function stale(): Page
    {
        return response()->view('fault', ['title' => 'This link is used up', 'message' => 'It works once, within 15 minutes. Sign in again to get another.'], 410);
    }

    private static function page(string $view, Request $request, ?string $fault = null): Page
    {
        return response()->view($view, ['fault' => $fault, 'often' => $request->has('often'), 'next' => self::next($request), 'email' => mb_substr($request->string('email')->value(), 0, 200), 'demo' => DemoPeople::shown()], $fault === null ? 200 : 422);
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
