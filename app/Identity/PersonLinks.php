<?php

namespace App\Identity;

use App\Models\PersonLink;
use App\Models\User;
use Illuminate\Contracts\Config\Repository;

/**
 * Links that let somebody do one thing, once: choose a password, sign in from a new place, make the first shop. Of each only a hash is
 * kept. Its host is the one of the settings: what a request calls the host never enters it.
 */
final readonly class PersonLinks
{
    public const PASSWORD = 'password';

    public const SIGN_IN = 'sign-in';

    public const FIRST_SHOP = 'first-shop';

    /** Address, and minutes that it is good for. */
    private const PURPOSES = [self::PASSWORD => ['password', 2880], self::SIGN_IN => ['sign-in/link', 15], self::FIRST_SHOP => ['begin', 2880]];

    public function __construct(private Repository $config) {}

    /** @param  ?int  $shop  that its person comes into by it */
    public function make(string $purpose, ?User $person, ?int $shop = null): string
    {
        [$path, $minutes] = self::PURPOSES[$purpose];
        $token = rtrim(strtr(base64_encode(random_bytes(32)), '+/', '-_'), '=');
        PersonLink::query()->toBase()->insert(['user_id' => $person?->id, 'shop_id' => $shop, 'purpose' => $purpose, 'hash' => self::hash($token), 'ends_at' => now()->addMinutes($minutes)]);

        return rtrim((string) $this->config->get('app.url'), '/')."/{$path}/{$token}";
    }

    /** Null for one that is used up, too old or none at all. */
    public function find(string $purpose, string $token): ?PersonLink
    {
        return PersonLink::query()->where('hash', self::hash($token))->where('purpose', $purpose)->where('ends_at', '>', now())->first();
    }

    /** Inside a transaction: whether it was still good, and is used up by this. */
    public function use(PersonLink $link): bool
    {
        return PersonLink::query()->whereKey($link->id)->delete() === 1;
    }

    public function endAllOf(User $person): void
    {
        PersonLink::query()->where('user_id', $person->id)->delete();
    }

    /** They are as random as a key, so a plain hash keeps them. */
    private static function hash(string $token): string
    {
        return hash('sha256', $token);
    }
}
