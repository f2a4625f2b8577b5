<?php

namespace App\Security;

use Illuminate\Cache\RateLimiter;

/**
 * How often something may be tried before more is asked: by account and address of the network together, by account from anywhere, by
 * network address for any account. Tries from elsewhere hold nobody up at a place that they signed in from.
 */
final readonly class Tries
{
    /** Tries and s. */
    private const PAIR = [6, 60];

    private const ACCOUNT = [60, 3600];

    private const ADDRESS = [40, 600];

    public function __construct(private RateLimiter $limiter) {}

    /**
     * s until the next may be made; 0 for now.
     *
     * @param  bool  $isKnown  whether the account's person signed in from there before
     */
    public function wait(string $account, string $address, bool $isKnown = false): int
    {
        $waits = [0];
        $keys = self::keys($account, $address);
        foreach ($isKnown ? array_slice($keys, 0, 1) : $keys as $key => [$most]) {
            $waits[] = $this->limiter->tooManyAttempts($key, $most) ? max(1, $this->limiter->availableIn($key)) : 0;
        }

        return max($waits);
    }

    public function failed(string $account, string $address): void
    {
        foreach (self::keys($account, $address) as $key => [, $seconds]) {
            $this->limiter->hit($key, $seconds);
        }
    }

    public function cleared(string $account, string $address): void
    {
        $this->limiter->clear(array_key_first(self::keys($account, $address)));
    }

    /** @return non-empty-array<string, array{int, int}> */
    private static function keys(string $account, string $address): array
    {
        $name = fn (string $of): string => 'sign-in '.hash('xxh128', $of);

        return [$name("pair {$account} {$address}") => self::PAIR, $name("account {$account}") => self::ACCOUNT, $name("address {$address}") => self::ADDRESS];
    }
}
