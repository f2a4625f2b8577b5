<?php

namespace Pebblerun\Formats;

use Opis\JsonSchema\Errors\ValidationError;

/** Says in words what a schema asks for. */
final class SchemaWords
{
    /** Null for a fault that only follows from another. */
    public static function of(ValidationError $error): ?string
    {
        $unknown = self::unknown($error);
        if ($unknown === []) {
            return null;
        }
        $args = $error->args();
        $value = self::shown($error->data()->value());

        return match ($error->keyword()) {
            'required' => '"'.implode('", "', (array) ($args['missing'] ?? [])).'" is missing.',
            'additionalProperties' => '"'.implode('", "', $unknown ?? []).'" is not known here: check the spelling, or leave it out.',
            'enum', 'const' => "{$value} is not known here: use ".self::allowed($error).'.',
            'type' => "{$value} must be ".self::types($args['expected'] ?? '').'.',
            'minimum' => "{$value} is too low: give {$args['min']} or more.",
            'exclusiveMinimum' => "{$value} is too low: give more than {$args['min']}.",
            'maximum' => "{$value} is too high: give {$args['max']} or less.",
            'pattern' => "{$value} is not well formed: ".self::pattern((string) ($args['pattern'] ?? '')),
            'minItems' => 'needs at least '.($args['min'] ?? 1).' items.',
            'maxItems' => 'has too many items: '.($args['max'] ?? '').' at most.',
            'minLength' => "{$value} is too short: {$args['min']} letters or more.",
            'maxLength' => "{$value} is too long: {$args['max']} letters at most.",
            'format' => "{$value} is not a date like 2026-05-31.",
            'oneOf', 'anyOf' => self::alternatives($error) ?? "{$value} fits none of the forms allowed here; see docs/formats.md.",
            default => "{$value} fits none of the forms allowed here; see docs/formats.md.",
        };
    }

    /** "give "safe" and "edge", or "over_rpm".": what each form needs that the others do not; null where forms differ otherwise. */
    private static function alternatives(ValidationError $error): ?string
    {
        $schema = $error->schema()->info()->data();
        $forms = is_object($schema) ? (array) ($schema->oneOf ?? $schema->anyOf ?? []) : [];
        $required = array_map(fn (mixed $form): array => is_object($form) ? (array) ($form->required ?? []) : [], $forms);
        if ($required === [] || in_array([], $required, true)) {
            return null;
        }
        $common = array_intersect(...array_values($required), ...array_values($required));
        $ways = array_filter(array_map(fn (array $fields): string => implode(' and ', array_map(fn (string $field): string => "\"{$field}\"", array_values(array_diff($fields, $common)))), $required));

        return count($ways) < 2 ? null : 'give '.implode(', or ', array_unique($ways)).'.';
    }

    /**
     * The properties that a schema really does not have: a known one with a fault inside is reported by itself.
     *
     * @return ?list<string> null when the fault is of another kind
     */
    private static function unknown(ValidationError $error): ?array
    {
        if ($error->keyword() !== 'additionalProperties') {
            return null;
        }
        $schema = $error->schema()->info()->data();
        $known = is_object($schema) ? array_keys((array) ($schema->properties ?? [])) : [];

        return array_values(array_diff((array) ($error->args()['properties'] ?? []), $known));
    }

    private static function pattern(string $pattern): string
    {
        return match (true) {
            str_contains($pattern, '[A-Z]{3}') => 'a currency is three capital letters, such as EUR.',
            str_contains($pattern, '[A-Za-z]+(/') => 'a time zone has a name such as Etc/UTC.',
            default => 'use lower case letters, digits and hyphens.',
        };
    }

    private static function allowed(ValidationError $error): string
    {
        $schema = $error->schema()->info()->data();
        $values = is_object($schema) ? ($schema->enum ?? [$schema->const ?? null]) : [];

        return 'one of '.implode(', ', array_map(fn (mixed $value): string => is_string($value) ? $value : (string) json_encode($value), (array) $values));
    }

    private static function types(mixed $expected): string
    {
        $names = ['object' => 'an object', 'array' => 'a list', 'string' => 'text', 'number' => 'a number', 'integer' => 'a whole number', 'boolean' => 'true or false', 'null' => 'nothing'];

        return implode(' or ', array_map(fn (mixed $type): string => $names[$type] ?? (string) $type, (array) $expected));
    }

    private static function shown(mixed $value): string
    {
        return match (true) {
            is_string($value) => '"'.mb_strimwidth($value, 0, 40, '…').'"',
            is_object($value) => 'this object',
            is_array($value) => 'this list',
            default => (string) json_encode($value),
        };
    }
}
