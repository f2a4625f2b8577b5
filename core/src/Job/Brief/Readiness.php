<?php

namespace Pebblerun\Core\Job\Brief;

/** How far the conversation has come: which questions have no answer yet, by the brief document itself. */
final readonly class Readiness
{
    /** @param  list<Question>  $open  in the order one asks them */
    private function __construct(public array $open) {}

    /** @param  array<string, mixed>  $brief  the brief document without its head */
    public static function of(array $brief): self
    {
        return new self(array_values(array_filter(Question::cases(), fn (Question $question): bool => ! self::isAnswered($question, $brief))));
    }

    /** @param  array<string, mixed>  $brief */
    private static function isAnswered(Question $question, array $brief): bool
    {
        return $question === Question::Warnings
            ? self::allGiven($brief)
            : array_filter($question->places(), fn (string $place): bool => self::at($brief, $place) !== null) !== [];
    }

    /** @param  array<string, mixed>  $brief */
    private static function allGiven(array $brief): bool
    {
        $given = is_array($brief['warnings'] ?? null) ? array_column($brief['warnings'], 'warning') : [];

        return array_diff(array_column(Warning::cases(), 'value'), $given) === [];
    }

    /** @param  array<string, mixed>  $brief */
    private static function at(array $brief, string $place): mixed
    {
        $here = $brief;
        foreach (explode('.', $place) as $step) {
            $here = is_array($here) ? ($here[$step] ?? null) : null;
        }

        return $here;
    }
}
