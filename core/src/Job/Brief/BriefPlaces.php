<?php

namespace Pebblerun\Core\Job\Brief;

/**
 * A brief document as independent places, each the answer to one thing asked: "target", "car.year", "received.checks.oil",
 * "warnings.law". Two people who answer in different places do not disturb each other.
 */
final class BriefPlaces
{
    /** Those inside another object; every other part of the brief is one place. */
    private const INSIDE = ['car', 'received', 'budget', 'outside', 'driving'];

    /** What stands on the car already. */
    public const STANDS = 'received.parts';

    public const BASELINE = 'received.baseline';

    public const BASELINE_CONFIRMED = 'received.baseline_confirmed';

    private const CHECKS = 'received.checks';

    private const WARNINGS = 'warnings';

    /** Words for people, and what a plan is only judged by: no figure of a stage depends on them. */
    public const WITHOUT_FIGURES = [
        'purpose', 'notes', self::WARNINGS, 'car.registration', 'car.notes', self::BASELINE_CONFIRMED,
        'budget', 'risk', 'fuels', 'refuses', 'noise', 'inspection', 'warranty',
    ];

    /**
     * @param  array<string, mixed>  $brief  the brief document without its head
     * @return mixed what stands in a place; null where nothing was answered
     */
    public static function get(array $brief, string $place): mixed
    {
        return self::all($brief)[$place] ?? null;
    }

    /**
     * @param  array<string, mixed>  $brief
     * @param  mixed  $value  null takes the answer away
     * @return array<string, mixed>
     */
    public static function with(array $brief, string $place, mixed $value): array
    {
        $steps = explode('.', $place);
        if ($steps[0] === self::WARNINGS && isset($steps[1])) {
            return self::withWarning($brief, $steps[1], $value);
        }

        return self::put($brief, $steps, $value);
    }

    /**
     * The places in which two briefs differ, with what stands there after.
     *
     * @param  array<string, mixed>  $before
     * @param  array<string, mixed>  $after
     * @return array<string, mixed> by place; null where the answer was taken away
     */
    public static function changed(array $before, array $after): array
    {
        [$was, $is] = [self::all($before), self::all($after)];
        $changed = [];
        foreach (array_keys($was + $is) as $place) {
            // By value: a database may have put the keys of an object in another order.
            if (array_key_exists($place, $was) !== array_key_exists($place, $is) || $was[$place] != $is[$place]) {
                $changed[$place] = $is[$place] ?? null;
            }
        }

        return $changed;
    }

    /**
     * What of a brief the figures of a stage can depend on.
     *
     * @param  array<string, mixed>  $brief
     * @return array<string, mixed>
     */
    public static function figureInputs(array $brief): array
    {
        foreach (self::WITHOUT_FIGURES as $place) {
            $brief = self::with($brief, $place, null);
        }

        return $brief;
    }

    /**
     * @param  array<string, mixed>  $brief
     * @return array<string, mixed> every answer by place
     */
    private static function all(array $brief): array
    {
        $places = [];
        foreach ($brief as $key => $value) {
            if (! in_array($key, [...self::INSIDE, self::WARNINGS], true)) {
                $places[$key] = $value;
            }
        }
        foreach (self::INSIDE as $part) {
            foreach ((array) ($brief[$part] ?? []) as $key => $value) {
                $places["{$part}.{$key}"] = $value;
            }
        }
        foreach ((array) ($places[self::CHECKS] ?? []) as $check => $outcome) {
            $places[self::CHECKS.".{$check}"] = $outcome;
        }
        unset($places[self::CHECKS]);
        foreach ((array) ($brief[self::WARNINGS] ?? []) as $given) {
            $places[self::WARNINGS.".{$given['warning']}"] = $given;
        }

        return $places;
    }

    /**
     * @param  array<string, mixed>  $here
     * @param  list<string>  $steps
     * @return array<string, mixed>
     */
    private static function put(array $here, array $steps, mixed $value): array
    {
        $step = array_shift($steps);
        if ($steps !== []) {
            $inside = self::put((array) ($here[$step] ?? []), $steps, $value);
            $value = $inside === [] ? null : $inside;
        }
        if ($value === null) {
            unset($here[(string) $step]);
        } else {
            $here[(string) $step] = $value;
        }

        return $here;
    }

    /**
     * @param  array<string, mixed>  $brief
     * @return array<string, mixed>
     */
    private static function withWarning(array $brief, string $warning, mixed $given): array
    {
        $others = array_values(array_filter((array) ($brief[self::WARNINGS] ?? []), fn (array $one): bool => $one['warning'] !== $warning));

        if ($given === null) {
            return isset($brief[self::WARNINGS]) ? self::put($brief, [self::WARNINGS], $others) : $brief;
        }

        return self::put($brief, [self::WARNINGS], [...$others, $given]);
    }
}
