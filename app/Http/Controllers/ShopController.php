<?php

namespace App\Http\Controllers;

use App\Actions\ChangeShop;
use App\Http\Requests\PersonRequest;
use App\Http\Requests\ShopTermsRequest;
use App\Models\ShopTerms;
use App\Queries\ShopPage;
use Illuminate\Http\JsonResponse;
use Inertia\Inertia;
use Inertia\Response;

/** What the shop charges, works with and writes on its papers, for its owner. */
final class ShopController
{
    public function show(PersonRequest $request): Response
    {
        return Inertia::render('Shop', ShopPage::of($request->person()));
    }

    public function update(ShopTermsRequest $request, ChangeShop $change): JsonResponse
    {
        $person = $request->person();
        $change->change($person->shop, $request->document(), $request->papers(), $request->string('holds_from')->value(), $request->integer('seen'), $person);

        return response()->json(ShopPage::of($person));
    }

    public function drop(PersonRequest $request, ShopTerms $terms, ChangeShop $change): JsonResponse
    {
        $change->drop($request->person()->shop, $terms, $request->person());

        return response()->json(ShopPage::of($request->person()));
    }
}
