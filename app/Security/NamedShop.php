<?php

namespace App\Security;

use Illuminate\Support\Facades\DB;

/**
 * Names the shop and the person of the work at hand to the database, which shows the web's role no other's rows. The name is signed:
 * a statement that somebody slips in cannot choose another.
 */
final class NamedShop
{
    /** @throws WrongRole where the connection has more rights than who serves may have. */
    public static function say(?int $shop, ?int $person): void
    {
        self::sayName(self::of($shop, $person));
    }

    /** @param  string  $name  as of() gives it */
    public static function sayName(string $name): void
    {
        $role = DB::scalar("select current_user from set_config('pebblerun.named', ?, false)", [$name]);
        $role === config('pebblerun.role') || app()->runningInConsole() || throw new WrongRole((string) $role);
    }

    /** Empty for a visitor. */
    public static function of(?int $shop, ?int $person): string
    {
        if ($shop === null) {
            return '';
        }
        // As bin/start gives it to the database.
        $key = hash_hmac('sha256', 'pebblerun names a shop', (string) config('app.key'));

        return "{$shop}.{$person}.".substr(hash('sha256', "{$key}{$shop}.{$person}{$key}"), 0, 32);
    }
}
