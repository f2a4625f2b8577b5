<?php

namespace App\Mail;

use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** The way to a new password for somebody who forgot theirs. */
final class NewPassword extends Letter
{
    public function __construct(public string $person, public string $link) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: 'Pebblerun: choose a new password');
    }

    public function content(): Content
    {
        return new Content(text: 'mail.new-password');
    }
}
