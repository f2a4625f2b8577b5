<?php

namespace App\Security;

use App\Models\User;
use Illuminate\Contracts\Config\Repository;
use Illuminate\Support\Facades\URL;

/**
 * A signed link by which a person chooses a password: for two days, and once, for it names the password that it replaces. Its host is
 * the one of the settings: what a request calls the host never enters it.
 */
final readonly class PasswordLink
{
    private const HOURS = 48;

    public function __construct(private Repository $config) {}

    public function of(User $person): string
    {
        $path = URL::temporarySignedRoute('password', now()->addHours(self::HOURS), ['person' => $person->id, 'stamp' => $this->stamp($person)], false);

        return rtrim((string) $this->config->get('app.url'), '/').$path;
    }

    /** Whether it is still the password that a link was made for. */
    public function isFresh(User $person, string $stamp): bool
    {
        return hash_equals($this->stamp($person), $stamp);
    }

    private function stamp(User $person): string
    {
        return substr(hash_hmac('sha256', "{$person->id}/{$person->email}/{$person->password}", (string) $this->config->get('app.key')), 0, 32);
    }
}
