<?php

namespace App\Identity;

use App\Models\User;
use Illuminate\Contracts\Hashing\Hasher;
use Illuminate\Support\Str;

/** Whether an address and a password belong together, in the same time for people nobody knows. */
final readonly class Credentials
{
    /** Of no password: what is compared where there is no person. */
    private const NOBODY = '$2y$12$4GIZV8m7v5F1cF/dtRiFQecHmFzocDAF57iTd85xRgnMBEdJTQTOe';

    public function __construct(private Hasher $hasher) {}

    public function personWith(string $email, string $password): ?User
    {
        $person = User::query()->where('email', self::address($email))->first();
        $fits = $this->hasher->check($password, $person->password ?? self::NOBODY);

        return $fits && $person?->password !== null && $person->comesIn() ? $person : null;
    }

    /** As addresses are kept: their case tells nobody apart. */
    public static function address(string $email): string
    {
        return Str::lower(trim($email));
    }
}
