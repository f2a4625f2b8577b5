<?php

namespace App\Queries;

use App\Models\Membership;
use App\Models\User;

/** Everybody of a shop, who is active first. Of who was asked in and did not come yet, what who asked them said. */
final class PeopleList
{
    /** @return list<array<string, mixed>> */
    public static function of(User $reader): array
    {
        $memberships = Membership::query()->with('user')->where('shop_id', $reader->shop_id)->get()->sortBy(fn (Membership $one): array => [$one->deactivated_at !== null, $one->calledName()]);

        return array_values($memberships->map(fn (Membership $one): array => [
            'id' => $one->id,
            'name' => $one->calledName(),
            'email' => $one->user->email,
            'role' => $one->role->value,
            'state' => match (true) {
                $one->deactivated_at !== null => 'deactivated',
                $one->accepted_at === null => 'invited',
                default => 'active',
            },
            'second_factor' => $one->accepted_at !== null && $one->user->second_factor_on,
            'signed_in_at' => $one->accepted_at === null ? null : $one->user->signed_in_at?->toIso8601String(),
            'self' => $one->user_id === $reader->id,
        ])->all());
    }
}
