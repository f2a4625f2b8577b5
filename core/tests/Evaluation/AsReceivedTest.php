<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\TestCase;

/** Cars that came in changed, measured or not. */
final class AsReceivedTest extends TestCase
{
    public function test_without_a_measurement_the_stock_curve_carries_the_parts_it_came_with(): void
    {
        $lyre = new Lyre;
        $lyre->measured = null;
        $lyre->received = ['catback'];
        $results = $lyre->results(Lyre::FULL);
        // By hand: 4 of 184 kW at 0.3 of the gain is 0.652 %, so 159.13 · 1.00652 = 160.17 kW as received.
        self::assertEqualsWithDelta(160.17, $results[0]->likely->peakPower()->value / 1000.0, 0.01);
        // And the full build is the stock car's, whatever it came with.
        self::assertEqualsWithDelta(208.32, $results[1]->likely->peakPower()->value / 1000.0, 0.005);
    }

    public function test_a_measured_car_divides_out_what_it_came_with(): void
    {
        $lyre = new Lyre;
        $lyre->received = ['catback'];
        $measured = $lyre->results([]);
        self::assertEqualsWithDelta(159.13, $measured[0]->likely->peakPower()->value / 1000.0, 0.005);
        self::assertEqualsWithDelta(159.13, $measured[1]->likely->peakPower()->value / 1000.0, 0.005);
        self::assertEqualsWithDelta(0.0, $measured[1]->usedGain, 1e-12);
    }

    public function test_a_car_that_nobody_measured_is_less_certain_than_a_measured_one_by_curve_or_peaks(): void
    {
        $width = fn (Lyre $lyre): float => $lyre->last([])->power->p90 - $lyre->last([])->power->p10;
        $sketched = new Lyre;
        $sketched->measured = Lyre::curve()::sketched(1500.0, Lyre::curve()->peakTorque(), Lyre::curve()->peakPower(), 6500.0, true);
        self::assertTrue($sketched->last([])->likely->sketched);
        self::assertEqualsWithDelta($width(new Lyre), $width($sketched), 1.0);
        $unmeasured = new Lyre;
        $unmeasured->measured = null;
        // 4 % of doubt against 1.5 %.
        self::assertEqualsWithDelta(4.0 / 1.5, $width($unmeasured) / $width(new Lyre), 0.01);
    }

    public function test_a_worn_engine_that_nobody_measured_gives_a_little_less_and_is_less_certain(): void
    {
        $power = function (?float $mileage, ?Curve $measured): Percentiles {
            $lyre = new Lyre;
            $lyre->measured = $measured;
            $lyre->mileage = $mileage;

            return $lyre->last([])->power;
        };
        $width = fn (Percentiles $power): float => ($power->p90 - $power->p10) / $power->p50;
        $fresh = $power(150_000.0, null);
        self::assertEquals($fresh, $power(null, null));
        foreach ([[200_000.0, 0.9867], [225_000.0, 0.98], [300_000.0, 0.96], [400_000.0, 0.96]] as [$mileage, $left]) {
            self::assertEqualsWithDelta($left, $power($mileage, null)->p50 / $fresh->p50, 0.0005, "{$mileage} km, the method's worked values");
        }
        // 5 and 6 % of doubt against 4 %.
        self::assertEqualsWithDelta(1.25, $width($power(225_000.0, null)) / $width($fresh), 0.01);
        self::assertEqualsWithDelta(1.5, $width($power(300_000.0, null)) / $width($fresh), 0.01);
        self::assertEqualsWithDelta($power(150_001.0, null)->p50, $fresh->p50, 1.0, 'no step');
        self::assertEquals($power(null, Lyre::curve()), $power(400_000.0, Lyre::curve()), 'what was measured is what it is');
    }

    public function test_as_it_came_carries_the_baselines_doubt_alone(): void
    {
        $came = (new Lyre)->results(Lyre::FULL)[0]->power;
        // By hand: 1.5 % of 159.13 kW is 2.387 kW; P10 and P90 of a normal lie 1.2816 of it away.
        self::assertEqualsWithDelta(159.13 - 1.2816 * 2.387, $came->p10 / 1000.0, 0.03);
        self::assertEqualsWithDelta(159.13 + 1.2816 * 2.387, $came->p90 / 1000.0, 0.03);
    }

    public function test_a_part_taken_off_takes_its_gain_along(): void
    {
        $lyre = new Lyre;
        $lyre->received = ['catback'];
        $with = $lyre->last(['map']);
        $lyre->parts['quiet'] = Lyre::part('quiet', ['catback'], [0, 0, 0], [0, 0, 0]);
        self::assertLessThan($with->likely->peakPower()->value, $lyre->last(['quiet', 'map'])->likely->peakPower()->value);
    }

    public function test_the_used_range_counts_torque_where_it_is_used(): void
    {
        $result = (new Lyre)->last(['map']);
        // By hand: at 2,500 rpm + 20 %, falling to + 15.7 % at 5,800: between them over 2,500 to 5,500 rpm.
        self::assertGreaterThan(0.16, $result->usedGain);
        self::assertLessThan(0.20, $result->usedGain);
    }
}
