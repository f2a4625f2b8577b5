<?php

namespace Pebblerun\Formats;

use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Validator;

/** Holds documents against the schemas in schemas/. */
final class SchemaValidator
{
    private const BASE = 'https://pebblerun.invalid/schemas/';

    private const MOST_FAULTS = 20;

    private readonly Validator $validator;

    public function __construct(string $folder)
    {
        $this->validator = new Validator(max_errors: self::MOST_FAULTS, stop_at_first_error: false);
        $this->validator->resolver()?->registerPrefix(self::BASE, $folder);
    }

    /**
     * @param  string  $schema  such as "bundle.json" or a definition in one
     * @param  mixed  $document  JSON decoded with objects
     *
     * @throws InvalidDocument with each fault's path and what would be right.
     */
    public function check(string $schema, mixed $document): void
    {
        $this->mustHold($this->validator->validate($document, self::BASE.$schema)->error());
    }

    /**
     * The same against a schema at hand that refers to no other: no file is read for it.
     *
     * @param  array<string, mixed>  $schema
     * @param  mixed  $document  JSON decoded with objects
     *
     * @throws InvalidDocument
     */
    public function checkAgainst(array $schema, mixed $document): void
    {
        $this->mustHold($this->validator->validate($document, (string) json_encode($schema))->error());
    }

    /** @throws InvalidDocument */
    private function mustHold(?ValidationError $error): void
    {
        if ($error !== null) {
            throw new InvalidDocument(self::faults($error));
        }
    }

    /** @return non-empty-list<Fault> */
    private static function faults(ValidationError $error): array
    {
        $faults = [];
        foreach (self::leaves($error) as $leaf) {
            $words = SchemaWords::of($leaf);
            if ($words !== null) {
                $fault = new Fault(self::path(array_values($leaf->data()->fullPath())), $words);
                $faults[(string) $fault] = $fault;
            }
        }

        /** @var non-empty-list<Fault> */
        return array_values($faults);
    }

    /**
     * The faults that say most: inside alternatives, those of the alternative that came closest.
     *
     * @return list<ValidationError>
     */
    private static function leaves(ValidationError $error): array
    {
        $below = $error->subErrors();
        if ($below === []) {
            return [$error];
        }
        if (in_array($error->keyword(), ['oneOf', 'anyOf'], true)) {
            return self::closest($error, array_values(array_map(fn (ValidationError $one): array => self::leaves($one), $below)));
        }

        return array_merge(...array_map(self::leaves(...), $below));
    }

    /**
     * The faults of the alternative that was meant: the one that takes such a value at all, or the one that got furthest.
     *
     * @param  list<list<ValidationError>>  $alternatives
     * @return list<ValidationError>
     */
    private static function closest(ValidationError $error, array $alternatives): array
    {
        $here = count($error->data()->fullPath());
        $depth = fn (array $leaves): int => max([0, ...array_map(fn (ValidationError $leaf): int => count($leaf->data()->fullPath()), $leaves)]);
        $ofType = array_values(array_filter($alternatives, fn (array $leaves): bool => array_filter($leaves, fn (ValidationError $leaf): bool => $leaf->keyword() === 'type' && count($leaf->data()->fullPath()) === $here) === []));
        if (count($ofType) === 1) {
            return $ofType[0];
        }
        $most = max([0, ...array_map($depth, $alternatives)]);
        $best = array_values(array_filter($alternatives, fn (array $leaves): bool => $depth($leaves) === $most));

        return $most > $here && count($best) === 1 ? $best[0] : [$error];
    }

    /** @param  list<int|string>  $steps */
    private static function path(array $steps): string
    {
        $path = '';
        foreach ($steps as $step) {
            $path .= is_int($step) ? "[{$step}]" : ($path === '' ? $step : ".{$step}");
        }

        return $path;
    }
}
