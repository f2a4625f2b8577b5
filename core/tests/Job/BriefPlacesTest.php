<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Job\Brief\BriefPlaces;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Answers by place: set, taken away, compared. */
final class BriefPlacesTest extends TestCase
{
    private const BRIEF = [
        'car' => ['year' => 2021, 'gearbox' => 'manual', 'registration' => 'PE 21 417'],
        'received' => ['parts' => [], 'fuel' => 'pump', 'checks' => ['oil' => 'good']],
        'target' => ['power' => 290],
        'purpose' => 'Commutes',
        'warnings' => [['warning' => 'law', 'on' => '2026-11-10', 'by' => 'Ines Harrow']],
    ];

    /** @return iterable<string, array{string, mixed}> */
    public static function answers(): iterable
    {
        yield 'a part of the brief' => ['target', ['torque' => 300, 'at_rpm' => 3000]];
        yield 'one that was not answered' => ['use', 'track'];
        yield 'one inside' => ['car.year', 2020];
        yield 'one inside what is not there' => ['budget.total', 6500];
        yield 'one check' => ['received.checks.brakes', 'bad'];
        yield 'the first check' => ['received.checks.oil', 'bad'];
        yield 'a warning' => ['warnings.reserve', ['warning' => 'reserve', 'on' => '2026-11-11', 'by' => 'Odd Lindqvar']];
        yield 'a list with nothing in it' => ['refuses', []];
    }

    #[DataProvider('answers')]
    public function test_an_answer_stands_in_its_place_and_nowhere_else(string $place, mixed $value): void
    {
        $after = BriefPlaces::with(self::BRIEF, $place, $value);
        self::assertSame($value, BriefPlaces::get($after, $place));
        self::assertSame([$place => $value], BriefPlaces::changed(self::BRIEF, $after));
    }

    #[DataProvider('answers')]
    public function test_an_answer_taken_away_leaves_no_trace(string $place, mixed $value): void
    {
        $there = BriefPlaces::with(self::BRIEF, $place, $value);
        $gone = BriefPlaces::with($there, $place, null);
        self::assertNull(BriefPlaces::get($gone, $place));
        self::assertSame([$place => null], BriefPlaces::changed($there, $gone));
        self::assertEquals(BriefPlaces::get(self::BRIEF, $place) === null ? [] : [$place => BriefPlaces::get(self::BRIEF, $place)], BriefPlaces::changed($gone, self::BRIEF));
    }

    public function test_taking_away_what_is_not_there_changes_nothing(): void
    {
        foreach (['use', 'budget.total', 'warnings.reserve', 'received.baseline'] as $place) {
            self::assertSame(self::BRIEF, BriefPlaces::with(self::BRIEF, $place, null));
        }
    }

    public function test_a_warning_given_again_replaces_the_old_note(): void
    {
        $again = ['warning' => 'law', 'on' => '2026-11-12', 'by' => 'Odd Lindqvar'];
        self::assertSame([$again], BriefPlaces::with(self::BRIEF, 'warnings.law', $again)['warnings']);
    }

    public function test_what_is_for_people_and_for_judgement_alone_is_no_input_of_a_figure(): void
    {
        $left = BriefPlaces::figureInputs(self::BRIEF);
        self::assertSame(['car' => ['year' => 2021, 'gearbox' => 'manual'], 'received' => self::BRIEF['received'], 'target' => ['power' => 290]], $left);
        $noted = [...self::BRIEF, 'notes' => 'Rings on Friday', 'purpose' => 'Track days', 'budget' => ['total' => 9000], 'risk' => 'bold', 'fuels' => [], 'refuses' => ['lag'], 'car' => [...self::BRIEF['car'], 'notes' => 'Dent', 'registration' => 'PE 1']];
        self::assertSame($left, BriefPlaces::figureInputs($noted));
        foreach (['use' => 'track', 'rpm_range' => ['from' => 2000, 'to' => 5000], 'car.mileage_km' => 90000] as $place => $value) {
            self::assertNotSame($left, BriefPlaces::figureInputs(BriefPlaces::with(self::BRIEF, $place, $value)));
        }
    }
}
