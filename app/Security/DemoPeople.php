<?php

namespace App\Security;

use Illuminate\Support\Facades\DB;

/**
 * The people of the demo. Their passwords are public: they get in only where nothing is but the demo, and the sign-in says so there.
 */
final class DemoPeople
{
    public const ALL = [
        ['name' => 'Ines Harrow', 'email' => 'ines@saltmarsh.test', 'password' => 'tide-and-stone', 'role' => 'advisor'],
        ['name' => 'Odd Lindqvar', 'email' => 'odd@saltmarsh.test', 'password' => 'harbour-light', 'role' => 'owner'],
        ['name' => 'Tove Marrish', 'email' => 'tove@saltmarsh.test', 'password' => 'lantern-and-keel', 'role' => 'tuner'],
        ['name' => 'Jorun Vellsby', 'email' => 'jorun@saltmarsh.test', 'password' => 'rope-and-spanner', 'role' => 'technician'],
    ];

    /** @return list<array{name: string, email: string, password: string, role: string}> nobody where there is more than the demo */
    public static function shown(): array
    {
        return DB::scalar('select installation()') === 'demo' ? self::ALL : [];
    }
}
