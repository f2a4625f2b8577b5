<?php

namespace App\Jobs;

use App\Identity\PersonLinks;
use App\Mail\SignInLink;
use App\Models\User;
use Illuminate\Contracts\Queue\ShouldBeEncrypted;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Support\Facades\Mail;

/** Sends who typed the right password after many wrong ones the way in, to their own address. */
final class SendSignInLink implements ShouldBeEncrypted, ShouldQueue
{
    use Dispatchable;

    public function __construct(private readonly string $email, private readonly bool $isRight) {}

    public function handle(PersonLinks $links): void
    {
        $person = $this->isRight ? User::query()->where('email', $this->email)->first() : null;
        if ($person === null || ! $person->comesIn()) {
            return;
        }
        Mail::to($person->email)->queue((new SignInLink($person->name, $links->make(PersonLinks::SIGN_IN, $person)))->about($person->id, $person->shop_id));
    }
}
