<?php

namespace App\Identity;

use App\Models\User;
use Illuminate\Contracts\Cookie\QueueingFactory;
use Illuminate\Http\Request;

/**
 * Somebody of whom a second proof is asked: kept in an encrypted cookie for some minutes, for a visitor has no session. Where it is asked
 * after many tries it is there whether the password was right or not, so that nobody learns that from it.
 */
final readonly class PendingSignIn
{
    private const COOKIE = 'pebblerun_step';

    private const MINUTES = 5;

    public function __construct(private QueueingFactory $cookies) {}

    /** @param  ?User  $person  null where address and password do not belong together */
    public function begin(?User $person, string $email): void
    {
        $step = ['person' => $person->id ?? 0, 'stamp' => hash('sha256', (string) $person?->password), 'ends' => time() + 60 * self::MINUTES, 'email' => $email];
        $this->cookies->queue($this->cookies->make(self::COOKIE, (string) json_encode($step), self::MINUTES));
    }

    /** The address that was typed; null where no second proof is waited for. */
    public function email(Request $request): ?string
    {
        return self::step($request)['email'] ?? null;
    }

    public function person(Request $request): ?User
    {
        $step = self::step($request);
        $person = $step === null ? null : User::query()->whereKey($step['person'])->first();

        return $person !== null && hash_equals($step['stamp'], hash('sha256', (string) $person->password)) && $person->comesIn() ? $person : null;
    }

    public function end(): void
    {
        $this->cookies->queue($this->cookies->forget(self::COOKIE));
    }

    /** @return ?array{person: int, stamp: string, ends: int, email: string} */
    private static function step(Request $request): ?array
    {
        $cookie = $request->cookie(self::COOKIE);
        $step = is_string($cookie) ? json_decode($cookie, true) : null;

        // Nobody else can encrypt one, but an earlier version wrote it otherwise.
        return is_array($step) && isset($step['person'], $step['stamp'], $step['ends'], $step['email']) && $step['ends'] >= time() ? $step : null;
    }
}
