<?php

namespace App\Mail;

use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** Asks a person into a shop. */
final class Invitation extends Letter
{
    public function __construct(public string $shop, public string $person, public string $role, public string $link) {}

    public function envelope(): Envelope
    {
        return new Envelope(subject: "{$this->shop}: you are invited to Pebblerun");
    }

    public function content(): Content
    {
        return new Content(text: 'mail.invitation');
    }
}
