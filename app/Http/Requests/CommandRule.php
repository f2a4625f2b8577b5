<?php

namespace App\Http\Requests;

use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Pebblerun\Core\Job\Plan\Stacking;

/** One command of a plan: its kind and the kinds of its fields. Whether it can be done is the core's to say. */
final class CommandRule implements ValidationRule
{
    private const DO = ['fit', 'clear', 'move', 'fuel', 'line', 'add-stage', 'remove-stage', 'rename-stage', 'split-stage', 'merge-stage', 'move-stage', 'settings'];

    private const KEY = '/^[a-z0-9][a-z0-9-]{0,63}$/D';

    /** @param  Closure(string): mixed  $fail */
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        if (! is_array($value) || ! in_array($value['do'] ?? null, self::DO, true)) {
            $fail("{$attribute}: \"do\" must be one of ".implode(', ', self::DO).'.');

            return;
        }
        foreach ($value as $field => $given) {
            $wanted = self::wanted((string) $field, $given);
            if ($wanted !== null) {
                $fail("{$attribute}: \"{$field}\" must be {$wanted}.");
            }
        }
    }

    /** What a field should be where it is not; null where it is. */
    private static function wanted(string $field, mixed $given): ?string
    {
        [$holds, $wanted] = match ($field) {
            'do' => [true, ''],
            'stage', 'to', 'part', 'slot', 'fuel' => [self::isKey($given), 'a key of small letters, digits and hyphens'],
            'parts' => [is_array($given) && $given !== [] && count($given) <= 40 && array_filter($given, self::isKey(...)) === $given, 'a list of up to 40 part keys'],
            'name' => [is_string($given) && mb_strlen($given) <= 60, 'a text of up to 60 letters'],
            'basis' => [in_array($given, ['new', 'used', 'owned', null], true), 'new, used, owned or null'],
            'price_basis' => [in_array($given, ['new', 'used'], true), 'new or used'],
            'agreed' => [$given === null || ((is_int($given) || is_float($given)) && $given >= 0 && $given <= 1_000_000), 'a price from 0 to 1,000,000 or null'],
            'stacking' => [is_string($given) && Stacking::tryFrom($given) !== null, 'one of '.implode(', ', array_column(Stacking::cases(), 'value'))],
            'loss' => [in_array($given, ['percentage', 'constant'], true), 'percentage or constant'],
            'bought' => [$given === null || is_bool($given), 'true, false or null'],
            'quantity' => [is_int($given) && $given >= 1 && $given <= 99, 'a whole number from 1 to 99'],
            default => [false, 'left out: no command has such a field'],
        };

        return $holds ? null : $wanted;
    }

    private static function isKey(mixed $given): bool
    {
        return is_string($given) && preg_match(self::KEY, $given) === 1;
    }
}
