<?php

namespace App\Security;

use App\Models\Shop;

/** The people of the demo. Their passwords are public: they exist only where the demo was loaded, and the sign-in says so there. */
final class DemoPeople
{
    public const ALL = [
        ['name' => 'Ines Harrow', 'email' => 'ines@saltmarsh.test', 'password' => 'tide-and-stone', 'role' => 'advisor'],
        ['name' => 'Odd Lindqvar', 'email' => 'odd@saltmarsh.test', 'password' => 'harbour-light', 'role' => 'owner'],
        ['name' => 'Tove Marrish', 'email' => 'tove@saltmarsh.test', 'password' => 'lantern-and-keel', 'role' => 'tuner'],
        ['name' => 'Jorun Vellsby', 'email' => 'jorun@saltmarsh.test', 'password' => 'rope-and-spanner', 'role' => 'technician'],
    ];

    /** @return list<array{name: string, email: string, password: string, role: string}> nobody where no demo was loaded */
    public static function shown(): array
    {
        return Shop::query()->where('is_demo', true)->exists() ? self::ALL : [];
    }
}
