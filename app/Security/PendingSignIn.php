<?php

namespace App\Security;

use App\Models\User;
use Illuminate\Contracts\Cookie\QueueingFactory;
use Illuminate\Http\Request;

/** Somebody whose password was right and whose second factor is asked: kept in an encrypted cookie for some minutes, for a visitor has no session. */
final readonly class PendingSignIn
{
    private const COOKIE = 'pebblerun_step';

    private const MINUTES = 5;

    public function __construct(private QueueingFactory $cookies) {}

    public function begin(User $person): void
    {
        $this->cookies->queue($this->cookies->make(self::COOKIE, (string) json_encode([$person->id, hash('sha256', (string) $person->password), time() + 60 * self::MINUTES]), self::MINUTES));
    }

    public function person(Request $request): ?User
    {
        $cookie = $request->cookie(self::COOKIE);
        $kept = is_string($cookie) ? json_decode($cookie, true) : null;
        if (! is_array($kept) || count($kept) !== 3 || $kept[2] < time()) {
            return null;
        }
        $person = User::query()->whereKey((int) $kept[0])->first();

        return $person !== null && hash_equals((string) $kept[1], hash('sha256', (string) $person->password)) && $person->isMember() ? $person : null;
    }

    public function end(): void
    {
        $this->cookies->queue($this->cookies->forget(self::COOKIE));
    }
}
