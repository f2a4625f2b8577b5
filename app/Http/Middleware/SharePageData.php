<?php

namespace App\Http\Middleware;

use App\Models\User;
use Illuminate\Http\Request;
use Inertia\Middleware;

/** What every page knows: who is signed in. */
final class SharePageData extends Middleware
{
    protected $rootView = 'page';

    /** @return array<string, mixed> */
    public function share(Request $request): array
    {
        $user = $request->user();

        return [
            ...parent::share($request),
            'person' => $user instanceof User ? ['name' => $user->name, 'role' => $user->role] : null,
        ];
    }
}
