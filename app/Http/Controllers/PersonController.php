<?php

namespace App\Http\Controllers;

use App\Http\Requests\PersonRequest;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;

/** The person who is signed in. */
final class PersonController
{
    /** Who it is: the smallest answer there is, and the measure of all others. */
    public function show(Request $request): JsonResponse
    {
        $user = $request->user();

        return response()->json($user instanceof User ? ['name' => $user->name, 'role' => $user->role] : null);
    }

    public function update(PersonRequest $request): RedirectResponse
    {
        $request->author()->forceFill(['units' => $request->units(), 'numerals' => $request->numerals()])->save();

        return back();
    }
}
