<?php

namespace App\Console\Commands;

use App\Actions\People\ChangeMembership;
use Illuminate\Console\Command;

final class DeactivatePerson extends Command
{
    use NamesPeople;

    protected $signature = 'person:deactivate {shop : its name} {email} {--undo : let them in again}';

    protected $description = 'Takes somebody’s access to a shop away at once; what they did keeps their name';

    public function handle(ChangeMembership $change): int
    {
        $shop = $this->shopNamed((string) $this->argument('shop'));
        $membership = $shop === null ? null : $this->memberAt($shop, (string) $this->argument('email'));
        if ($membership === null) {
            return 2;
        }
        $undo = (bool) $this->option('undo');
        $undo ? $change->reactivate($membership, null) : $change->deactivate($membership, null);
        $this->info("{$membership->user->name} has ".($undo ? 'access again.' : 'no access any more.'));

        return self::SUCCESS;
    }
}
