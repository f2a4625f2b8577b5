<?php

namespace App\Mail;

use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** The way in for somebody whose password was right after many wrong ones. */
final class SignInLink extends Letter
{
    public function __construct(public string $person, public string $link) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Pebblerun: sign in');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.sign-in-link');
    }
}
