<?php

namespace App\Queries;

use App\Models\Membership;
use App\Models\User;

/** The shops that a person belongs to, and those that ask them in. */
final class ShopList
{
    /** @return list<array<string, mixed>> valid against shops of schemas/answers.json */
    public static function of(User $person): array
    {
        return array_values($person->accepted()->with('shop')->get()->sortBy('shop.name')->map(fn (Membership $one): array => [
            'id' => $one->shop_id,
            'name' => $one->shop->name,
            'role' => $one->role->value,
            'here' => $one->shop_id === $person->shop_id,
        ])->all());
    }

    /** @return list<array<string, mixed>> valid against invitations of schemas/answers.json */
    public static function askingFor(User $person): array
    {
        return array_values($person->memberships()->whereNull('accepted_at')->whereNull('deactivated_at')->with('shop')->get()->sortBy('shop.name')->map(fn (Membership $one): array => [
            'id' => $one->id,
            'name' => $one->shop->name,
            'role' => $one->role->value,
        ])->all());
    }
}
