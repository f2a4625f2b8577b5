<?php

namespace App\Http\Controllers;

use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Who is signed in: the smallest answer there is, and the measure of all others. */
final class PersonController
{
    public function __invoke(Request $request): JsonResponse
    {
        $user = $request->user();

        return response()->json($user instanceof User ? ['name' => $user->name, 'role' => $user->role] : null);
    }
}
