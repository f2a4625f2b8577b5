<?php

namespace App\Http\Controllers;

use App\Actions\People\MakeFirstShop;
use App\Http\Requests\FirstShopRequest;
use App\Identity\PersonLinks;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Response;

/** An empty installation's first page: whoever holds its link makes the shop and is its owner. */
final class BeginController
{
    public function show(string $token, PersonLinks $links): Response
    {
        return $links->find(PersonLinks::FIRST_SHOP, $token) === null ? self::stale() : response()->view('begin', ['fault' => null, 'said' => []]);
    }

    public function store(FirstShopRequest $request, string $token, PersonLinks $links, MakeFirstShop $make): Response|RedirectResponse
    {
        $link = $links->find(PersonLinks::FIRST_SHOP, $token);
        if ($link === null) {
            return self::stale();
        }
        $fault = $request->fault();
        if ($fault !== null) {
            return response()->view('begin', ['fault' => $fault, 'said' => $request->said()], 422);
        }

        return $make->make($link, $request->shop(), $request->owner(), $request->string('password')->value()) ? redirect('/sign-in') : self::stale();
    }

    private static function stale(): Response
    {
        return response()->view('fault', ['title' => 'This link is used up', 'message' => 'It works once, within two days, while there is no shop here; bin/start prints another.'], 410);
    }
}
