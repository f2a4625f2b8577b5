<?php

namespace App\Console\Commands;

use App\Actions\People\InvitePerson;
use Illuminate\Console\Command;
use Pebblerun\Formats\PlainText;

final class InvitePersonCommand extends Command
{
    use NamesPeople;

    protected $signature = 'person:invite {shop : its name} {name} {email} {role : owner, advisor, tuner or technician}';

    protected $description = 'Invites somebody into a shop, by mail';

    public function handle(InvitePerson $invite): int
    {
        $shop = $this->shopNamed((string) $this->argument('shop'));
        $role = $this->roleNamed((string) $this->argument('role'));
        $email = (string) $this->argument('email');
        if ($shop === null || $role === null) {
            return 2;
        }
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            $this->error("\"{$email}\" is no address for mail.");

            return 2;
        }
        if (! PlainText::isName((string) $this->argument('name'))) {
            $this->error('This name has a character in it that is no text.');

            return 2;
        }
        $invite->invite($shop, (string) $this->argument('name'), $email, $role, null);
        $this->info("{$this->argument('name')} is invited to {$shop->name} as {$role->value}.");

        return self::SUCCESS;
    }
}
