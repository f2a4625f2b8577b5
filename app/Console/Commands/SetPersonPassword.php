<?php

namespace App\Console\Commands;

use App\Identity\Credentials;
use App\Identity\PersonLinks;
use App\Models\User;
use Illuminate\Console\Command;

final class SetPersonPassword extends Command
{
    protected $signature = 'person:password {email}';

    protected $description = 'Prints a link by which somebody chooses a new password: for two days, and once';

    public function handle(PersonLinks $links): int
    {
        $person = User::query()->where('email', Credentials::address((string) $this->argument('email')))->first();
        if ($person === null) {
            $this->error("Nobody has the address {$this->argument('email')}.");

            return 2;
        }
        // Whoever was asked in and has no password yet comes in by it.
        $asking = $person->password === null ? $person->memberships()->whereNull('accepted_at')->orderBy('id')->value('shop_id') : null;
        $this->line($links->make(PersonLinks::PASSWORD, $person, is_int($asking) ? $asking : null));

        return self::SUCCESS;
    }
}
