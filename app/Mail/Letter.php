<?php

namespace App\Mail;

use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Headers;

/** What is sent goes once the mail server takes it: it is tried again for a day. */
abstract class Letter extends Mailable implements ShouldBeEncrypted
{
    public int $tries = 12;

    /** Of these the stand-in for a mail server learns whose it is; a real one is told nothing. */
    private const SHOP = 'X-Pebblerun-Shop';

    private const PERSON = 'X-Pebblerun-Person';

    private ?int $shop = null;

    private ?int $addressee = null;

    public function about(int $person, int $shop): static
    {
        $this->shop = $shop;
        $this->addressee = $person;

        return $this;
    }

    public function headers(): Headers
    {
        return new Headers(text: config('mail.catcher') === true ? [self::SHOP => (string) $this->shop, self::PERSON => (string) $this->addressee] : []);
    }

    /** @return list<int> s until it is tried again */
    public function backoff(): array
    {
        return [5, 30, 120, 600, 1800, 3600, 7200, 14_400];
    }
}
