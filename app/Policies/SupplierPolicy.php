<?php

namespace App\Policies;

use App\Models\Supplier;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** Suppliers are kept by who sets prices. */
final class SupplierPolicy
{
    use OfOneShop;

    public function create(User $user): bool
    {
        return $user->may(Ability::SetPrices);
    }

    public function update(User $user, Supplier $supplier): Response
    {
        return self::within($user, $supplier->shop_id, Ability::SetPrices);
    }
}
