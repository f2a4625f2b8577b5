<?php

namespace App\Http\Controllers;

use App\Models\CaughtMail;
use Illuminate\Http\Response;

/** What was sent, where a stand-in takes the mail: for trials, so that nobody needs a mail server. */
final class CaughtMailController
{
    private const SHOWN = 50;

    public function index(): Response
    {
        return response()->view('caught-mail', ['mails' => CaughtMail::query()->orderByDesc('id')->limit(self::SHOWN)->get()]);
    }
}
