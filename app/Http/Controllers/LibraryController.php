<?php

namespace App\Http\Controllers;

use App\Actions\Library\SetPrice;
use App\Actions\Once;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\PriceRequest;
use App\Models\Part;
use App\Models\Platform;
use App\Queries\LibraryPage;
use App\Queries\PartPlace;
use App\Queries\PartPrices;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\RedirectResponse;
use Inertia\Inertia;
use Inertia\Response;

/** Platforms and parts, and what they cost. */
final class LibraryController
{
    public function index(PersonRequest $request): Response
    {
        return Inertia::render('Library', LibraryPage::of(null, $request->person()));
    }

    public function show(PersonRequest $request, Platform $platform): Response
    {
        return Inertia::render('Library', LibraryPage::of($platform, $request->person()));
    }

    /** Wherever it stands; one that stands nowhere yet is put on a platform first. */
    public function part(PersonRequest $request, Part $part): RedirectResponse
    {
        return redirect(PartPlace::of($part));
    }

    public function prices(Part $part): JsonResponse
    {
        return response()->json(PartPrices::of($part));
    }

    public function setPrice(PriceRequest $request, Part $part, SetPrice $prices, Once $once): JsonResponse
    {
        $said = [$part->id, $request->money(), $request->string('as_of')->value(), $request->string('source')->value()];
        $once->do($request->person()->shop, $request->requestName(), $said, fn () => $prices->set($part, $said[1], $said[2], $said[3], $request->person()));

        return response()->json(PartPrices::of($part), 201);
    }
}
