<?php

namespace App\Identity;

use App\Models\User;
use App\Security\AuditEvent;
use App\Security\Totp;
use Illuminate\Support\Facades\DB;

/** A person's second factor: codes of an authenticator, each good once, and recovery codes for the day it is lost. */
final readonly class SecondFactor
{
    private const RECOVERY_CODES = 10;

    public function __construct(private Audit $audit) {}

    /** A new secret, to be confirmed by a code before it counts. */
    public function begin(User $person): string
    {
        $secret = Totp::secret();
        $person->update(['second_factor' => $secret, 'second_factor_on' => false, 'second_factor_step' => 0, 'recovery_codes' => null]);

        return $secret;
    }

    /** @return ?list<string> recovery codes, shown once; null where the code is wrong */
    public function confirm(User $person, string $code): ?array
    {
        return DB::transaction(function () use ($person, $code): ?array {
            $locked = $this->locked($person);
            if ($locked->second_factor === null || $locked->second_factor_on || ! $this->usesCode($locked, $code)) {
                return null;
            }
            $codes = array_map(fn (): string => strtolower(implode('-', str_split(substr(Totp::encode(random_bytes(8)), 0, 12), 4))), range(1, self::RECOVERY_CODES));
            $locked->update(['second_factor_on' => true, 'recovery_codes' => array_map(self::hash(...), $codes)]);
            $person->refresh();
            $this->audit->note(AuditEvent::SecondFactorOn, $person);

            return $codes;
        });
    }

    public function end(User $person): void
    {
        $person->update(['second_factor' => null, 'second_factor_on' => false, 'second_factor_step' => 0, 'recovery_codes' => null]);
        $this->audit->note(AuditEvent::SecondFactorOff, $person);
    }

    /** Whether a code of the authenticator or a recovery code is right; either is used up by it. */
    public function passes(User $person, string $typed): bool
    {
        return DB::transaction(function () use ($person, $typed): bool {
            $locked = $this->locked($person);
            $code = strtolower((string) preg_replace('/\s+/', '', $typed));

            return $this->usesCode($locked, $code) || $this->usesRecovery($locked, $code);
        });
    }

    private function usesCode(User $person, string $code): bool
    {
        $step = $person->second_factor === null ? null : Totp::stepOf($person->second_factor, $code, time(), $person->second_factor_step);
        if ($step === null) {
            return false;
        }

        return $person->update(['second_factor_step' => $step]);
    }

    private function usesRecovery(User $person, string $code): bool
    {
        $left = $person->recovery_codes ?? [];
        $place = array_search(self::hash($code), $left, true);
        if ($place === false) {
            return false;
        }
        array_splice($left, $place, 1);
        $person->update(['recovery_codes' => $left]);
        $this->audit->note(AuditEvent::RecoveryCodeUsed, $person, ['left' => count($left)]);

        return true;
    }

    private function locked(User $person): User
    {
        return User::query()->lockForUpdate()->findOrFail($person->id);
    }

    /** They are as random as a key, so a plain hash keeps them. */
    private static function hash(string $code): string
    {
        return hash('sha256', $code);
    }
}
