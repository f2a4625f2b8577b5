<?php

namespace App\Http\Controllers;

use App\Actions\People\AnswerInvitation;
use App\Actions\People\SetPassword;
use App\Actions\People\TellChange;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\SecondFactorRequest;
use App\Http\Requests\SetPasswordRequest;
use App\Http\Requests\ShopRequest;
use App\Identity\Audit;
use App\Identity\SecondFactor;
use App\Identity\Sessions;
use App\Models\Membership;
use App\Queries\ShopList;
use App\Security\AuditEvent;
use App\Security\Totp;
use Illuminate\Http\JsonResponse;
use Illuminate\Validation\ValidationException;
use Inertia\Inertia;
use Inertia\Response;

/** A person's own account: password, sessions, second factor. */
final class AccountController
{
    public function show(PersonRequest $request, Sessions $sessions): Response
    {
        $person = $request->person();

        return Inertia::render('Account', [
            'email' => $person->email,
            'second_factor' => $person->second_factor_on,
            'recovery_codes' => count($person->recovery_codes ?? []),
            'sessions' => $sessions->of($person, $request->session()->getId()),
            'shops' => ShopList::of($person),
            'invitations' => ShopList::askingFor($person),
        ]);
    }

    public function shop(ShopRequest $request): JsonResponse
    {
        $request->person()->update(['shop_id' => $request->shop()]);

        return response()->json(ShopList::of($request->person()));
    }

    /** Into a shop that asked: its people see from then on who came. */
    public function accept(PersonRequest $request, Membership $membership, AnswerInvitation $answer): JsonResponse
    {
        $answer->accept($membership, $request->person());

        return response()->json(['shops' => ShopList::of($request->person()), 'invitations' => ShopList::askingFor($request->person())]);
    }

    public function decline(PersonRequest $request, Membership $membership, AnswerInvitation $answer): JsonResponse
    {
        $answer->decline($membership);

        return response()->json(['shops' => ShopList::of($request->person()), 'invitations' => ShopList::askingFor($request->person())]);
    }

    public function password(SetPasswordRequest $request, SetPassword $passwords): JsonResponse
    {
        $passwords->set($request->person(), $request->string('password')->value(), $request->session()->getId());

        return response()->json(['message' => 'Your password is changed. Everywhere else you are signed out.']);
    }

    public function endSession(PersonRequest $request, string $session, Sessions $sessions, Audit $audit): JsonResponse
    {
        $sessions->end($request->person(), $session) && $audit->note(AuditEvent::SessionsEnded, $request->person(), ['count' => 1]);

        return response()->json($sessions->of($request->person(), $request->session()->getId()));
    }

    public function endOthers(PersonRequest $request, Sessions $sessions, Audit $audit): JsonResponse
    {
        $ended = $sessions->endAll($request->person(), $request->session()->getId());
        $audit->note(AuditEvent::SessionsEnded, $request->person(), ['count' => $ended]);

        return response()->json($sessions->of($request->person(), $request->session()->getId()));
    }

    /** A secret to put into an authenticator; it counts once a code of it came back. */
    public function beginFactor(SecondFactorRequest $request, SecondFactor $factor): JsonResponse
    {
        $request->mustBeOff();
        $secret = $factor->begin($request->person());

        return response()->json(['secret' => $secret, 'address' => Totp::address($secret, $request->person()->email, 'Pebblerun')]);
    }

    public function confirmFactor(PersonRequest $request, SecondFactor $factor): JsonResponse
    {
        $codes = $factor->confirm($request->person(), $request->string('code')->value());

        if ($codes === null) {
            throw ValidationException::withMessages(['code' => 'This code is not right. Check the clock of your device and take the next one.']);
        }
        TellChange::of($request->person(), AuditEvent::SecondFactorOn);

        return response()->json(['recovery_codes' => $codes]);
    }

    public function endFactor(SecondFactorRequest $request, SecondFactor $factor): JsonResponse
    {
        $factor->end($request->person());
        TellChange::of($request->person(), AuditEvent::SecondFactorOff);

        return response()->json(['message' => 'The second factor is off.']);
    }
}
