<?php

namespace App\Http\Controllers;

use App\Http\Requests\PersonRequest;
use App\Models\CaughtMail;
use Illuminate\Http\Response;

/** What the shop was sent, where a stand-in takes the mail: for trials, so that nobody needs a mail server. */
final class CaughtMailController
{
    private const SHOWN = 50;

    public function index(PersonRequest $request): Response
    {
        $mails = CaughtMail::query()->where('shop_id', $request->person()->shop_id)->orderByDesc('id')->limit(self::SHOWN)->get();

        return response()->view('caught-mail', ['mails' => $mails, 'reader' => $request->person()]);
    }
}
