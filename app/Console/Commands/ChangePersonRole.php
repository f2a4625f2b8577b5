<?php

namespace App\Console\Commands;

use App\Actions\People\ChangeMembership;
use Illuminate\Console\Command;

final class ChangePersonRole extends Command
{
    use NamesPeople;

    protected $signature = 'person:role {shop : its name} {email} {role : owner, advisor, tuner or technician}';

    protected $description = 'Changes what somebody is in a shop';

    public function handle(ChangeMembership $change): int
    {
        $shop = $this->shopNamed((string) $this->argument('shop'));
        $role = $this->roleNamed((string) $this->argument('role'));
        if ($shop === null || $role === null) {
            return 2;
        }
        $membership = $this->memberAt($shop, (string) $this->argument('email'));
        if ($membership === null) {
            return 2;
        }
        $change->role($membership, $role, null);
        $this->info("{$membership->user->name} is {$role->value} now.");

        return self::SUCCESS;
    }
}
