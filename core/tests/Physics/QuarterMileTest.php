<?php

namespace Pebblerun\Core\Tests\Physics;

use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Physics\Road\QuarterMile;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** A time as a target. */
final class QuarterMileTest extends TestCase
{
    /** Source: the method's worked values, 1350 kg and 230 hp. */
    public function test_the_rule_of_thumb_gives_its_worked_value_and_goes_back(): void
    {
        self::assertEqualsWithDelta(13.68, QuarterMile::seconds(230.0 * PowerUnit::HP, 1350.0), 0.005);
        for ($seconds = 9.0; $seconds < 20.0; $seconds += 0.5) {
            self::assertEqualsWithDelta($seconds, QuarterMile::seconds(QuarterMile::power($seconds, 1500.0), 1500.0), 1e-9);
        }
        self::assertGreaterThan(QuarterMile::power(14.0, 1300.0), QuarterMile::power(13.0, 1300.0), 'quicker asks more');
        self::assertGreaterThan(QuarterMile::power(14.0, 1300.0), QuarterMile::power(14.0, 1400.0), 'heavier asks more');
    }

    /** By hand: 230 hp at the crank, 14 % lost on the way through a manual box to the front wheels: 197.8 whp. */
    public function test_a_time_asks_for_the_power_at_the_wheels_that_it_takes(): void
    {
        $document = SmallBundle::with('brief.target', ['quarter_mile' => 13.68]);
        $document['platform']['mass'] = 1350;
        $written = EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem);
        self::assertEqualsWithDelta(197.8, $written['target']['power'], 0.4);
        self::assertStringContainsString('whp for 13.7 s', $written['verdict'][0]['headline']);
        self::assertStringContainsString('for a closed course', implode(' ', array_column($written['verdict'][0]['reasons'], 'sentence')));
    }

    public function test_without_a_mass_or_with_no_such_time_it_says_what_would_be_right(): void
    {
        $refused = function (array $document): string {
            try {
                BundleReader::read($document);
            } catch (InvalidBundle $fault) {
                return $fault->getMessage();
            }
            self::fail('it was taken');
        };
        $document = SmallBundle::with('brief.target', ['quarter_mile' => 14]);
        self::assertStringContainsString('brief.target.quarter_mile: neither the platform nor the car states a mass', $refused($document));
        $document['platform']['mass'] = 1300;
        $document['brief']['target']['quarter_mile'] = 3;
        self::assertStringContainsString('3 s is no time over a quarter mile: give 5 to 40.', $refused($document));
    }
}
