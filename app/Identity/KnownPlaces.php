<?php

namespace App\Identity;

use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Addresses of the network that a person signed in from: wrong passwords from elsewhere do not hold them up there. */
final class KnownPlaces
{
    private const DAYS = 90;

    public static function note(User $person, string $address): void
    {
        DB::table('known_places')->upsert(['user_id' => $person->id, 'place' => self::place($address), 'seen_at' => now()], ['user_id', 'place'], ['seen_at']);
    }

    public static function knows(string $email, string $address): bool
    {
        return DB::table('known_places')->join('users', 'users.id', '=', 'known_places.user_id')->where('users.email', $email)
            ->where('place', self::place($address))->where('seen_at', '>', now()->subDays(self::DAYS))->exists();
    }

    public static function old(): Builder
    {
        return DB::table('known_places')->where('seen_at', '<', now()->subDays(self::DAYS));
    }

    /** Nobody reads from the table where somebody was. */
    private static function place(string $address): string
    {
        return hash_hmac('sha256', $address, (string) config('app.key'));
    }
}
