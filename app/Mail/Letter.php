<?php

namespace App\Mail;

use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Mail\Mailable;

/** What is sent goes once the mail server takes it: it is tried again for a day. */
abstract class Letter extends Mailable implements ShouldBeEncrypted
{
    public int $tries = 12;

    /** @return list<int> s until it is tried again */
    public function backoff(): array
    {
        return [5, 30, 120, 600, 1800, 3600, 7200, 14_400];
    }
}
