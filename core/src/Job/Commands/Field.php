<?php

namespace Pebblerun\Core\Job\Commands;

/** Schemas of the fields that commands have in common. */
final class Field
{
    private const KEY = '^[a-z0-9][a-z0-9-]{0,63}$';

    /** @return array<string, mixed> */
    public static function key(): array
    {
        return ['type' => 'string', 'pattern' => self::KEY];
    }

    /** @return array<string, mixed> */
    public static function keys(): array
    {
        return ['type' => 'array', 'items' => self::key(), 'minItems' => 1, 'maxItems' => 40];
    }

    /** @return array<string, mixed> */
    public static function name(): array
    {
        return ['type' => 'string', 'maxLength' => 60];
    }

    /** @return array<string, mixed> */
    public static function oneOf(string ...$words): array
    {
        return ['enum' => array_values($words)];
    }

    /** @return array<string, array<string, mixed>> what a line may say besides its part; null takes it back */
    public static function line(): array
    {
        return [
            'basis?' => ['enum' => ['new', 'used', 'owned', null]],
            'agreed?' => ['type' => ['number', 'null'], 'minimum' => 0, 'maximum' => 1_000_000],
            'quantity?' => ['type' => 'integer', 'minimum' => 1, 'maximum' => 99],
            'bought?' => ['type' => ['boolean', 'null']],
            'own_work?' => ['type' => ['boolean', 'null']],
        ];
    }
}
