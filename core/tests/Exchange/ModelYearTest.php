<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Units\PowerUnit;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What other model years have otherwise is data of the platform; the brief's year says which holds. */
final class ModelYearTest extends TestCase
{
    private const MILDER = [
        'years' => ['from' => 2010, 'to' => 2013],
        'rev_limit' => 6300,
        'baseline' => ['points' => [['rpm' => 1500, 'torque' => 120], ['rpm' => 2500, 'torque' => 200], ['rpm' => 5800, 'torque' => 170], ['rpm' => 6300, 'torque' => 150]]],
    ];

    /**
     * @param  list<mixed>  $changes
     * @return array<string, mixed>
     */
    private static function unmeasured(int $year, array $changes): array
    {
        $document = SmallBundle::with('platform.year_changes', $changes);
        $document['brief']['car']['year'] = $year;
        unset($document['brief']['received']['baseline']);

        return $document;
    }

    /** @return iterable<string, array{int, float, float}> */
    public static function cars(): iterable
    {
        yield 'the last of the milder years' => [2013, 170.0, 6300.0];
        yield 'the first of the others' => [2014, 193.0, 6500.0];
    }

    #[DataProvider('cars')]
    public function test_an_unmeasured_car_starts_from_its_own_years_figures(int $year, float $torque, float $limit): void
    {
        $estimate = SmallBundle::estimate(self::unmeasured($year, [self::MILDER]));
        self::assertEqualsWithDelta($torque * 1.3558179483, $estimate->bundle->catalog->platform->baseline->torqueAt(5800.0), 0.01);
        self::assertEqualsWithDelta($estimate->bundle->catalog->platform->baseline->peakPower()->value / PowerUnit::HP, self::received($estimate), 0.01);
        self::assertEqualsWithDelta($torque * 5800 / 5252.113, self::received($estimate), 1.0);
        self::assertSame($limit, $estimate->bundle->catalog->platform->engine->revLimit);
    }

    public function test_a_measured_car_keeps_what_was_measured_in_any_year(): void
    {
        $document = SmallBundle::with('platform.year_changes', [self::MILDER]);
        $document['brief']['car']['year'] = 2012;
        self::assertEqualsWithDelta(193 * 5800 / 5252.113, self::received(SmallBundle::estimate($document)), 1.0);
    }

    /** whp of the car as it came in */
    private static function received(Estimate $estimate): float
    {
        return $estimate->results[0]->likely->peakPower()->value / PowerUnit::HP;
    }

    /** @return iterable<string, array{list<mixed>, string}> */
    public static function faults(): iterable
    {
        yield 'two entries for one year' => [[self::MILDER, ['years' => ['from' => 2013, 'to' => 2015]]], 'platform.year_changes[1]: 2013 is in an earlier entry too'];
        yield 'years turned round' => [[['years' => ['from' => 2015, 'to' => 2013]]], 'platform.year_changes[0].years: 2015 comes after 2013'];
        yield 'a limit below the peak of its own curve' => [[['rev_limit' => 4000] + self::MILDER], 'platform.year_changes[0].rev_limit: 4000 is no limit of an engine with this baseline'];
    }

    /** @param  list<mixed>  $changes */
    #[DataProvider('faults')]
    public function test_a_fault_is_named_whatever_year_the_brief_asks_for(array $changes, string $words): void
    {
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage($words);
        BundleReader::read(self::unmeasured(2020, $changes));
    }
}
