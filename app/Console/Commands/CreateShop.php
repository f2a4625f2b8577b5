<?php

namespace App\Console\Commands;

use App\Actions\People\InvitePerson;
use App\Models\Shop;
use App\Security\Role;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

final class CreateShop extends Command
{
    protected $signature = 'shop:create {file : a shop in the open format, shop.json} {--owner= : the owner’s name} {--email= : where the owner is invited}';

    protected $description = 'Makes a shop from a file and invites its owner';

    public function handle(DocumentReader $reader, InvitePerson $invite): int
    {
        $name = trim((string) $this->option('owner'));
        $email = (string) $this->option('email');
        if ($name === '' || filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            $this->error('Name the owner and where to invite them: --owner="Ann Example" --email=ann@example.test');

            return 2;
        }
        try {
            $document = $reader->document('shop', (string) $this->argument('file'));
        } catch (InvalidDocument $fault) {
            $this->error($fault->getMessage());

            return 2;
        }
        if (Shop::query()->where('name', $document['shop']['name'])->exists()) {
            $this->error("There is a shop \"{$document['shop']['name']}\" already: give the new one another name.");

            return self::FAILURE;
        }
        DB::transaction(function () use ($document, $invite, $name, $email): void {
            $shop = Shop::create(['name' => $document['shop']['name'], 'units' => $document['units'], 'document' => $document['shop']]);
            $invite->invite($shop, $name, $email, Role::Owner, null);
        });
        $this->info("{$document['shop']['name']} is made; {$name} is invited at {$email}.");

        return self::SUCCESS;
    }
}
