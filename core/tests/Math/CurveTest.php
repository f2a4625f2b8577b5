<?php

namespace Pebblerun\Core\Tests\Math;

use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\InvalidCurve;
use Pebblerun\Core\Math\LinearInterpolation;
use Pebblerun\Core\Math\MonotoneCubic;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Math\PowerTorqueCheck;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Rpm;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class CurveTest extends TestCase
{
    /** Source: worked values of the method. */
    public static function between(): iterable
    {
        yield '2000 rpm' => [2000.0, 260.00];
        yield '5000 rpm' => [5000.0, 292.48];
        yield '6200 rpm' => [6200.0, 238.26];
    }

    #[DataProvider('between')]
    public function test_torque_between_points_is_the_worked_value(float $rpm, float $torque): void
    {
        self::assertEqualsWithDelta($torque, Lyre::curve()->torqueAt($rpm), 0.005);
    }

    /** By hand: straight between two grid points, a fifth and four fifths of the way from 200 to 220; flat outside. */
    public function test_torque_off_the_grid_lies_on_the_line_between_its_neighbours(): void
    {
        $curve = Curve::onGrid(2000.0, [200.0, 220.0, 210.0]);
        self::assertEqualsWithDelta(204.0, $curve->torqueAt(2010.0), 1e-9);
        self::assertEqualsWithDelta(216.0, $curve->torqueAt(2040.0), 1e-9);
        self::assertEqualsWithDelta(217.5, $curve->torqueAt(2062.5), 1e-9);
        self::assertSame([200.0, 220.0, 210.0], [$curve->torqueAt(1900.0), $curve->torqueAt(2050.0), $curve->torqueAt(2500.0)]);
        self::assertSame([2000.0, 2100.0], [$curve->first, $curve->last()]);
        self::assertEquals(new Peak(2050.0, 220.0), $curve->peakTorque());
        self::assertSame([2050.0, 2050.0], [$curve->fullTorqueFrom(), $curve->torqueShoulder()]);
    }

    /** By hand, anchors 10 at 2000 and 30 at 4000: a quarter of the way is 15. */
    public function test_anchors_are_joined_by_straight_lines_and_flat_outside(): void
    {
        self::assertSame([10.0, 10.0, 15.0, 30.0, 30.0], LinearInterpolation::spread([2000.0, 4000.0], [10.0, 30.0], [1500.0, 2000.0, 2500.0, 4000.0, 5000.0]));
        self::assertSame([10.0, 20.0, 40.0], LinearInterpolation::spread([2000.0, 3000.0, 4000.0], [10.0, 20.0, 60.0], [2000.0, 3000.0, 3500.0]));
    }

    /** By hand at an end: slopes 1 then −2 over equal steps give (3·1 + 2)/2 = 2.5, within 3 times the first. */
    public function test_an_end_slope_is_shaped_by_its_three_points(): void
    {
        $cubic = new MonotoneCubic([0.0, 1.0, 2.0], [0.0, 1.0, -1.0]);
        self::assertEqualsWithDelta(0.5 + 2.5 * 0.125, $cubic->at(0.5), 1e-12);
        // Slopes 1 then −9: (3 + 9)/2 = 6 is held to 3.
        self::assertEqualsWithDelta(0.5 + 3.0 * 0.125, (new MonotoneCubic([0.0, 1.0, 2.0], [0.0, 1.0, -8.0]))->at(0.5), 1e-12);
        // Two points are a line.
        self::assertEqualsWithDelta(2.5, (new MonotoneCubic([0.0, 4.0], [0.0, 10.0]))->at(1.0), 1e-12);
        // The harmonic mean of the slopes 1 and 3 over equal steps: 6/(3/1 + 3/3) = 1.5; ends (3·1 − 3)/2 = 0 and (3·3 − 1)/2 = 4.
        self::assertEqualsWithDelta(0.5 + 0.0 - 1.5 * 0.125, (new MonotoneCubic([0.0, 1.0, 2.0], [0.0, 1.0, 4.0]))->at(0.5), 1e-12);
    }

    public static function impossible(): iterable
    {
        yield 'no speed' => [[[0.0, 100.0], [1500.0, 100.0], [2500.0, 100.0]]];
        yield 'a torque below nothing' => [[[1500.0, 100.0], [2500.0, -1.0], [3500.0, 100.0]]];
        yield 'not a number' => [[[1500.0, 100.0], [2500.0, NAN], [3500.0, 100.0]]];
        yield 'without end' => [[[1500.0, 100.0], [2500.0, 100.0], [INF, 100.0]]];
        yield 'two points' => [[[1500.0, 100.0], [2500.0, 100.0]]];
        yield 'too close for the grid' => [[[1500.0, 100.0], [1510.0, 100.0], [1520.0, 100.0]]];
    }

    /** @param  list<array{float, float}>  $points */
    #[DataProvider('impossible')]
    public function test_points_that_are_no_curve_are_refused(array $points): void
    {
        $this->expectException(InvalidCurve::class);
        Curve::fromPoints($points);
    }

    public function test_peaks_and_the_knee_are_the_worked_values(): void
    {
        $curve = Lyre::curve();
        self::assertEqualsWithDelta(159_130.0, $curve->peakPower()->value, 5.0);
        self::assertSame(5800.0, $curve->peakPower()->rpm);
        self::assertSame(2500.0, $curve->fullTorqueFrom());
    }

    public function test_the_curve_never_leaves_the_band_of_its_neighbouring_points(): void
    {
        $points = [[1500.0, 180.0], [2500.0, 300.0], [4500.0, 300.0], [5800.0, 262.0], [6500.0, 215.0]];
        $curve = Curve::fromPoints($points);
        foreach ($curve->rpms() as $i => $rpm) {
            foreach ($points as $k => [$right]) {
                if ($k > 0 && $rpm >= $points[$k - 1][0] && $rpm <= $right) {
                    $ends = [$points[$k - 1][1], $points[$k][1]];
                    self::assertGreaterThanOrEqual(min($ends) - 1e-9, $curve->torque[$i]);
                    self::assertLessThanOrEqual(max($ends) + 1e-9, $curve->torque[$i]);
                }
            }
        }
    }

    public function test_a_sketched_curve_starts_at_sixty_percent_when_boosted_and_ends_at_88_percent_of_peak_power(): void
    {
        $curve = Curve::sketched(1500.0, new Peak(2500.0, 300.0), new Peak(5800.0, 159_000.0), 6500.0, true);
        self::assertTrue($curve->sketched);
        self::assertEqualsWithDelta(180.0, $curve->torqueAt(1500.0), 1e-9);
        self::assertEqualsWithDelta(0.88 * 159_000.0, $curve->torqueAt(6500.0) * 6500.0 * Rpm::OMEGA, 1e-6);
        $natural = Curve::sketched(1500.0, new Peak(2500.0, 300.0), new Peak(5800.0, 159_000.0), 6500.0, false);
        self::assertEqualsWithDelta(225.0, $natural->torqueAt(1500.0), 1e-9);
    }

    /** Source: the method's worked values: r_T 2500, r_T2 4900. */
    public function test_the_plateau_ends_at_98_percent_and_well_before_the_power_peak(): void
    {
        self::assertSame([2500.0, 4900.0], [Lyre::curve()->fullTorqueFrom(), Lyre::curve()->plateauEnd()]);
        // Flat to the end: its power peak is at 6000, so the plateau counts to 5700.
        self::assertSame(5700.0, Curve::fromPoints([[2000.0, 300.0], [4000.0, 300.0], [6000.0, 300.0]])->plateauEnd());
        // It rises to 5900 and makes most power at 6000: never below where the torque peak begins.
        $rising = Curve::fromPoints([[2000.0, 100.0], [4000.0, 200.0], [5900.0, 300.0], [6000.0, 300.0]]);
        self::assertSame($rising->fullTorqueFrom(), $rising->plateauEnd());
    }

    public function test_a_sketch_is_nowhere_above_what_was_stated(): void
    {
        $sketch = Curve::sketched(1500.0, new Peak(2500.0, 300.0), new Peak(6000.0, 180_000.0), 7000.0, true);
        self::assertLessThanOrEqual(300.0, max($sketch->torque));
        self::assertLessThanOrEqual(180_000.0 + 1e-6, max($sketch->power()));
        self::assertEqualsWithDelta([180_000.0, 300.0], [$sketch->peakPower()->value, $sketch->peakTorque()->value], 1e-6);
        self::assertSame([6000.0, 2500.0], [$sketch->peakPower()->rpm, $sketch->peakTorque()->rpm], 'where it was stated');
    }

    public function test_a_raised_rev_limit_carries_power_on_along_its_last_slope(): void
    {
        $curve = Lyre::curve();
        $power = $curve->power();
        // Never steeper than the peak power over its rpm: 1,372 W in 50 rpm instead of 1,584.
        $slope = max($power[count($power) - 1] - $power[count($power) - 2], -50.0 * $curve->peakPower()->value / 5800.0);
        self::assertEqualsWithDelta(-1_371.8, $slope, 0.1);
        $longer = $curve->endingAt(6700.0);
        self::assertSame(6700.0, $longer->last());
        self::assertEqualsWithDelta($power[count($power) - 1] + 4.0 * $slope, $longer->torqueAt(6700.0) * 6700.0 * Rpm::OMEGA, 1e-6);
        self::assertSame(6000.0, $curve->endingAt(6000.0)->last());
    }

    public function test_falling_rpm_is_refused_with_its_row(): void
    {
        try {
            Curve::fromPoints([[1500.0, 180.0], [2500.0, 300.0], [2400.0, 300.0]]);
            self::fail('falling rpm was taken');
        } catch (InvalidCurve $fault) {
            self::assertSame(2, $fault->row);
            self::assertStringContainsString('2400 rpm comes after 2500 rpm', $fault->getMessage());
        }
    }

    /** A column in the wrong unit scales power over torque × speed by the ratio of the units. */
    public static function mistakes(): iterable
    {
        yield 'N·m called lb-ft' => [1.0 / 1.3558179483, 'the torque is in N·m though the file says lb-ft'];
        yield 'lb-ft called N·m' => [1.3558179483, 'the torque is in lb-ft though the file says N·m'];
        yield 'kW called hp' => [0.745699872, 'the power is in kW though the file says hp'];
        yield 'hp called kW' => [1.0 / 0.745699872, 'the power is in hp though the file says kW'];
        yield 'nothing known' => [1.10, 'Check both columns and their units.'];
    }

    #[DataProvider('mistakes')]
    public function test_power_and_torque_that_disagree_are_refused_with_the_likely_mistake(float $ratio, string $words): void
    {
        $power = 300.0 * 3000.0 * Rpm::OMEGA;
        $this->expectException(InvalidCurve::class);
        $this->expectExceptionMessage($words);
        PowerTorqueCheck::agree([[2500.0, 300.0, 300.0 * 2500.0 * Rpm::OMEGA], [3000.0, 300.0, $power * $ratio]]);
    }

    public function test_power_and_torque_within_two_percent_agree(): void
    {
        PowerTorqueCheck::agree([[3000.0, 300.0, 1.019 * 300.0 * 3000.0 * Rpm::OMEGA]]);
        $this->expectException(InvalidCurve::class);
        PowerTorqueCheck::agree([[3000.0, 300.0, 1.021 * 300.0 * 3000.0 * Rpm::OMEGA]]);
    }
}
