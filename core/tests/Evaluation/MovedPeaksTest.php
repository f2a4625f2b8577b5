<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\GainSource;
use Pebblerun\Core\Catalog\Parts\MovedPeaks;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartPrice;
use Pebblerun\Core\Catalog\Parts\PartWork;
use Pebblerun\Core\Evaluation\Model\MovedPeaksCurve;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\TestCase;

/** Cams move both peaks. Source of the figures: the method's worked values. */
final class MovedPeaksTest extends TestCase
{
    /** Δ 18 kW at 6,400, Δ + 4 N·m at 3,800, first rpm − 8 %, rev limit 7,000. */
    private static function peaks(): MovedPeaks
    {
        return new MovedPeaks(6400.0, 3800.0, -0.08);
    }

    public function test_the_factor_is_the_new_sketch_over_the_old(): void
    {
        $base = Lyre::curve();
        [$rpms, $gains] = (new MovedPeaksCurve($base, 6500.0))->of(
            self::peaks(), Range::exact(18_000.0 / $base->peakPower()->value), Range::exact(4.0 / 300.0), 7000.0,
        );
        foreach ([1500 => 0.9200, 2500 => 0.8412, 3800 => 1.0189, 4900 => 1.0275, 5800 => 1.1116, 6400 => 1.1853, 6500 => 1.2061, 7000 => 1.2554] as $rpm => $factor) {
            $at = array_search((float) $rpm, $rpms, true);
            self::assertIsInt($at, "a knot at {$rpm} rpm");
            self::assertEqualsWithDelta($factor, 1.0 + $gains[$at]->likely, 0.0001, "{$rpm} rpm");
        }
    }

    public function test_the_car_peaks_higher_and_later(): void
    {
        $likely = self::lyre()->last(['cams'])->likely;
        self::assertEqualsWithDelta(177.46, $likely->peakPower()->value / 1000.0, 0.05);
        self::assertSame(6050.0, $likely->peakPower()->rpm);
        self::assertEqualsWithDelta(307.42, $likely->peakTorque()->value, 0.1);
        self::assertSame(4550.0, $likely->peakTorque()->rpm);
        self::assertSame(7000.0, $likely->last());
    }

    public function test_what_is_lost_low_down_is_said(): void
    {
        $loss = self::lyre()->estimate(['cams'])->torqueLoss(1);
        self::assertNotNull($loss);
        self::assertTrue($loss->fromBottom);
        self::assertGreaterThan(35.0, $loss->most);
    }

    private static function lyre(): Lyre
    {
        $lyre = new Lyre;
        $lyre->boosted = false;
        $case = new GainCase(null, Range::exact(18_000.0), Range::exact(4.0), [], Lyre::baseline(), 1.0, new GainSource(Evidence::ShopDyno), peaks: self::peaks());
        $lyre->parts['cams'] = new Part('cams', 'Cams', 'Orsken', ['turbo'], [], [], null, [$case], true, new Effects(revLimit: 7000.0), PartPrice::free(), new PartWork);

        return $lyre;
    }

    /** A single that its governor ends: without it the engine comes to its stated peak, though the governed curve falls away before. */
    public function test_an_engine_without_its_governor_comes_to_its_stated_peak(): void
    {
        $governed = Curve::fromPoints([[1500.0, 7.4], [2500.0, 9.6], [3300.0, 9.42], [3500.0, 9.3], [3600.0, 8.95]]);
        $moved = (new MovedPeaksCurve($governed, 3600.0))->of(new MovedPeaks(4300.0, 2500.0, null), Range::exact(0.11), Range::exact(0.0), 4600.0);
        $engine = $governed->endingAt(4600.0);
        $power = [];
        foreach ($moved[0] as $i => $rpm) {
            $power[(string) $rpm] = $engine->torqueAt($rpm) * $rpm * M_PI / 30.0 * (1.0 + $moved[1][$i]->likely);
        }
        self::assertSame(4300.0, (float) array_search(max($power), $power, true));
        self::assertEqualsWithDelta(1.11 * $governed->peakPower()->value, max($power), 1.0);
    }
}
