<?php

namespace App\Http\Controllers;

use App\Actions\People\SetPassword;
use App\Identity\Credentials;
use App\Identity\KnownPlaces;
use App\Identity\PasswordRule;
use App\Identity\PersonLinks;
use App\Jobs\SendNewPassword;
use App\Models\User;
use App\Security\NamedShop;
use App\Security\Tries;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Validator;

/** A new password by a link that was sent, for who was invited or forgot theirs. */
final class PasswordController
{
    public function __construct(private readonly PersonLinks $links) {}

    public function ask(): Response
    {
        return response()->view('forgotten', ['sent' => false, 'fault' => null]);
    }

    /** The same answer, as fast, whether anybody knows the address or not. */
    public function send(Request $request, Tries $tries): Response
    {
        $email = Credentials::address(mb_substr($request->string('email')->value(), 0, 200));
        if ($tries->wait("reset {$email}", (string) $request->ip(), KnownPlaces::knows($email, (string) $request->ip())) > 0) {
            return response()->view('forgotten', ['sent' => false, 'fault' => 'That was asked often just now: wait some minutes.'], 422);
        }
        $tries->failed("reset {$email}", (string) $request->ip());
        SendNewPassword::dispatch($email);

        return response()->view('forgotten', ['sent' => true, 'fault' => null]);
    }

    public function show(Request $request, string $token): Response
    {
        $person = $this->links->find(PersonLinks::PASSWORD, $token)?->user;

        return $person === null ? self::stale() : self::page($request, $person);
    }

    public function store(Request $request, string $token, SetPassword $passwords): Response|RedirectResponse
    {
        $link = $this->links->find(PersonLinks::PASSWORD, $token);
        $person = $link?->user;
        if ($link === null || $person === null) {
            return self::stale();
        }
        NamedShop::say($link->shop_id ?? $person->shop_id, $person->id);
        $check = Validator::make($request->only('password', 'again'), ['password' => ['required', 'string', new PasswordRule($person)], 'again' => ['same:password']], ['again.same' => 'The two are not the same: type it again.']);
        if ($check->fails()) {
            return self::page($request, $person, $check->errors()->first());
        }

        return $passwords->byLink($link, $person, $request->string('password')->value()) ? redirect('/sign-in') : self::stale();
    }

    private static function page(Request $request, User $person, ?string $fault = null): Response
    {
        return response()->view('password', ['person' => $person, 'address' => $request->getRequestUri(), 'fault' => $fault], $fault === null ? 200 : 422);
    }

    private static function stale(): Response
    {
        return response()->view('fault', ['title' => 'This link is used up', 'message' => 'It works once, within two days, and until the password is changed. Ask for a new one on the sign-in page.'], 410);
    }
}
