<?php

namespace Pebblerun\Core\Tests\Report;

use Pebblerun\Core\Job\Brief\BriefPlaces;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Question;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\BriefWords;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Answers of a brief in a few words, to be held beside each other. */
final class BriefWordsTest extends TestCase
{
    private static function words(): BriefWords
    {
        return new BriefWords(new UnitFormatter(new UnitSystem, Currency::of('EUR')));
    }

    /** @return iterable<string, array{string, mixed, string}> */
    public static function answers(): iterable
    {
        yield 'a power' => ['target', ['power' => 290], '290 whp'];
        yield 'a torque at its speed' => ['target', ['torque' => 300, 'at_rpm' => 3000], '300 lb-ft at 3000 rpm'];
        yield 'a time' => ['target', ['quarter_mile' => 13.2], 'a quarter mile in 13.2 s'];
        yield 'a range' => ['rpm_range', ['from' => 2000, 'to' => 5000], '2000–5000 rpm'];
        yield 'money' => ['budget.total', 6500, '€ 6,500'];
        yield 'money in cents' => ['budget.monthly', 99.6, '€ 100'];
        yield 'a mileage' => ['car.mileage_km', 61000, '61,000 km'];
        yield 'a curve' => ['received.baseline', ['points' => [[], [], []]], '3 points'];
        yield 'a list' => ['fuels', ['pump', 'blend'], 'pump, blend'];
        yield 'a list of nothing' => ['refuses', [], 'none'];
        yield 'nothing' => ['use', null, 'no answer'];
        yield 'an emptied text' => ['customer.contact', '', 'no answer'];
        yield 'yes' => ['received.healthy', true, 'yes'];
        yield 'no' => ['received.healthy', false, 'no'];
        yield 'a warning' => ['warnings.law', ['warning' => 'law', 'on' => '2026-11-10', 'by' => 'Ines Harrow'], '2026-11-10, by Ines Harrow'];
        yield 'a word' => ['risk', 'bold', 'bold'];
        yield 'a number' => ['car.year', 2021, '2021'];
    }

    #[DataProvider('answers')]
    public function test_a_value_is_said_by_its_place(string $place, mixed $value, string $said): void
    {
        self::assertSame($said, str_replace("\u{a0}", ' ', self::words()->value($place, $value)));
    }

    public function test_every_place_has_a_name_of_its_own(): void
    {
        $asked = array_merge(...array_map(fn (Question $question): array => $question->places(), Question::cases()));
        $places = [
            ...array_diff($asked, ['warnings', 'received.checks']), ...array_diff(BriefPlaces::WITHOUT_FIGURES, ['budget', 'warnings']), 'budget.now', 'budget.monthly',
            ...array_map(fn (HealthCheck $check): string => "received.checks.{$check->value}", HealthCheck::cases()),
            ...array_map(fn (Warning $warning): string => "warnings.{$warning->value}", Warning::cases()),
        ];
        $places = array_values(array_unique($places));
        $names = array_map(self::words()->place(...), $places);
        self::assertSame(count($places), count(array_unique($names)));
        self::assertSame([], array_intersect($places, $names), 'none is said by its key');
        self::assertSame('Health check, oil', self::words()->place('received.checks.oil'));
    }
}
