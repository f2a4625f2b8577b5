<?php

namespace App\Mail;

use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** Tells somebody what was changed on how they sign in, so that they notice when it was somebody else. */
final class AccountChanged extends Letter
{
    public function __construct(public string $person, public string $what, public string $when, public string $link) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Pebblerun: your account was changed');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.account-changed');
    }
}
