<?php

namespace App\Http\Middleware;

use App\Models\User;
use App\Security\Ability;
use Illuminate\Http\Request;
use Inertia\Middleware;

/** What every page knows: who is signed in. */
final class SharePageData extends Middleware
{
    protected $rootView = 'page';

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        return [
            ...parent::share($request),
            // Asked only when a page is written: other answers need none of it.
            'person' => fn (): ?array => self::person($request->user()),
        ];
    }

    /** @return ?array<string, mixed> */
    private static function person(mixed $user): ?array
    {
        return $user instanceof User ? [
            'id' => $user->id,
            'name' => $user->name,
            'role' => $user->role()?->value,
            'abilities' => array_values(array_map(fn (Ability $ability): string => $ability->value, array_filter(Ability::cases(), $user->may(...)))),
            'units' => $user->unitSystem()->toArray(),
            'numerals' => $user->numerals->value,
            'time_zone' => $user->shop->timeZone(),
        ] : null;
    }
}
