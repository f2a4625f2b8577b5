<?php

namespace App\Identity;

use App\Models\User;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Illuminate\Support\Str;

/** Long enough, and not what a guesser tries first: NIST SP 800-63B, 5.1.1.2. */
final readonly class PasswordRule implements ValidationRule
{
    public const LEAST = 12;

    /** bcrypt reads no further. */
    public const MOST = 72;

    /** Of different characters, so that one repeated is none. */
    private const DIFFERENT = 5;

    /** Words that guessers begin with. */
    private const COMMON = ['password', 'passwort', 'qwerty', 'letmein', 'welcome', 'iloveyou', 'admin', '123456', '654321', 'abcdef', 'pebblerun', 'changeme', 'secret'];

    public function __construct(private ?User $person) {}

    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        $password = is_string($value) ? $value : '';
        $small = Str::lower($password);
        match (true) {
            mb_strlen($password) < self::LEAST => $fail('A password needs '.self::LEAST.' characters at least: several words are easy to remember.'),
            strlen($password) > self::MOST => $fail('A password has '.self::MOST.' bytes at most.'),
            count(array_unique(mb_str_split($small))) < self::DIFFERENT => $fail('This repeats a few characters: use several words.'),
            $this->holdsWhatIsKnown($small) => $fail('This holds a name or a word that is guessed first: use several other words.'),
            default => null,
        };
    }

    /** Whether little is left of it without what anybody would try. */
    private function holdsWhatIsKnown(string $password): bool
    {
        $known = [...self::COMMON, ...($this->person === null ? [] : [...explode(' ', Str::lower($this->person->name)), Str::before($this->person->email, '@'), ...explode(' ', Str::lower($this->person->shop->name))])];
        $left = str_replace(array_filter($known, fn (string $word): bool => mb_strlen($word) >= 4), '', $password);

        return mb_strlen($left) < 8 && $left !== $password;
    }
}
