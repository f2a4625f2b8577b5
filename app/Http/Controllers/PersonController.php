<?php

namespace App\Http\Controllers;

use App\Actions\ChooseUnits;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\UnitsRequest;
use Illuminate\Http\JsonResponse;

/** The person who is signed in. */
final class PersonController
{
    /** Who it is: the smallest answer there is, and the measure of all others. */
    public function show(PersonRequest $request): JsonResponse
    {
        return response()->json(['name' => $request->person()->name, 'role' => $request->person()->role()?->value]);
    }

    public function update(UnitsRequest $request, ChooseUnits $units): JsonResponse
    {
        $units->choose($request->person(), $request->units(), $request->numerals());

        return response()->json(['units' => $request->units()]);
    }
}
