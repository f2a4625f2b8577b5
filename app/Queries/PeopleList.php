<?php

namespace App\Queries;

use App\Models\Membership;
use App\Models\User;

/** Everybody of a shop, who is active first. */
final class PeopleList
{
    /** @return list<array<string, mixed>> */
    public static function of(User $reader): array
    {
        $memberships = Membership::query()->with('user')->where('shop_id', $reader->shop_id)->get()->sortBy(fn (Membership $one): array => [$one->deactivated_at !== null, $one->user->name]);

        return array_values($memberships->map(fn (Membership $one): array => [
            'id' => $one->id,
            'name' => $one->user->name,
            'email' => $one->user->email,
            'role' => $one->role->value,
            'state' => match (true) {
                $one->deactivated_at !== null => 'deactivated',
                $one->user->password === null => 'invited',
                default => 'active',
            },
            'second_factor' => $one->user->second_factor_on,
            'signed_in_at' => $one->user->signed_in_at?->toIso8601String(),
            'self' => $one->user_id === $reader->id,
        ])->all());
    }
}
