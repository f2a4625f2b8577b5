<?php

namespace App\Http\Controllers;

use App\Actions\People\ChangeMembership;
use App\Actions\People\InvitePerson;
use App\Http\Requests\InviteRequest;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\RoleRequest;
use App\Models\Membership;
use App\Queries\PeopleList;
use App\Security\Role;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

/** The people of the shop, for its owner. */
final class PeopleController
{
    public function show(PersonRequest $request): Response
    {
        return Inertia::render('People', [
            'shop' => $request->person()->shop->name,
            'people' => PeopleList::of($request->person()),
            'roles' => array_column(Role::cases(), 'value'),
            'catches_mail' => config('mail.catcher') === true,
        ]);
    }

    public function store(InviteRequest $request, InvitePerson $invite): JsonResponse
    {
        $invite->invite($request->person()->shop, $request->string('name')->trim()->value(), $request->string('email')->value(), $request->role(), $request->person());

        return response()->json(PeopleList::of($request->person()), 201);
    }

    public function role(RoleRequest $request, Membership $membership, ChangeMembership $change): JsonResponse
    {
        $change->role($membership, $request->role(), $request->person());

        return response()->json(PeopleList::of($request->person()));
    }

    public function invite(PersonRequest $request, Membership $membership, InvitePerson $invite): JsonResponse
    {
        $invite->send($membership->load('user', 'shop'));

        return response()->json(PeopleList::of($request->person()));
    }

    public function deactivate(PersonRequest $request, Membership $membership, ChangeMembership $change): JsonResponse
    {
        $change->deactivate($membership, $request->person());

        return response()->json(PeopleList::of($request->person()));
    }

    public function reactivate(PersonRequest $request, Membership $membership, ChangeMembership $change): JsonResponse
    {
        $change->reactivate($membership, $request->person());

        return response()->json(PeopleList::of($request->person()));
    }
}
