<?php

namespace App\Policies;

use App\Models\User;
use App\Security\Ability;
use Illuminate\Auth\Access\Response;

/** Another shop's things are not there; what is there may still be for other roles. */
trait OfOneShop
{
    private static function within(User $user, int $shop, Ability $ability): Response
    {
        return match (true) {
            $user->shop_id !== $shop => Response::denyAsNotFound(),
            $user->may($ability) => Response::allow(),
            default => Response::deny('Your role may not do this: ask an owner of the shop.'),
        };
    }
}
