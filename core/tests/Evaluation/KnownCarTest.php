<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\Narrowing;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\KnownCar;
use Pebblerun\Core\Evaluation\Model\Doubt;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\TorqueUnit;
use PHPUnit\Framework\TestCase;

/** Where estimates start from: the car as received, or as it was measured later. */
final class KnownCarTest extends TestCase
{
    /**
     * The small bundle without ceilings, of which stage 1 gave a share of what was likely.
     *
     * @param  array<string, mixed>  $more  of the measurement
     * @param  float  $baseline  what the car as received read of what it should
     */
    private static function bundle(float $share, array $more = [], float $baseline = 1.0): Bundle
    {
        $document = SmallBundle::with('platform.ceilings', []);
        $document['shop']['dyno_factors'] = [['dyno' => 'hub', 'factor' => [0.9, 0.94, 0.98]]];
        $likely = SmallBundle::estimate($document)->results[1]->likely;
        $points = array_map(fn (float $rpm): array => ['rpm' => $rpm, 'torque' => $share * $likely->torqueAt($rpm) / TorqueUnit::LB_FT], $likely->rpms());
        $document['plan']['stages'][0]['measured'] = ['points' => $points, 'of' => ['parts' => ['map', 'filter'], 'fuel' => 'pump'], ...$more];

        foreach ($document['brief']['received']['baseline']['points'] as $i => $point) {
            $document['brief']['received']['baseline']['points'][$i]['torque'] = $baseline * $point['torque'];
        }

        return BundleReader::read($document)->bundle;
    }

    public function test_a_measured_stage_gives_what_it_was_measured_to_give_and_later_ones_start_from_it(): void
    {
        $guessed = Estimate::of(self::bundle(1.0, ['of' => ['parts' => ['map'], 'fuel' => 'pump']]));
        $known = Estimate::of(self::bundle(0.94));
        self::assertSame([[0, 0, 0], [0, 1, 1]], [$guessed->planned->knownAt, $known->planned->knownAt]);
        self::assertEqualsWithDelta(0.94 * $guessed->results[1]->likely->peakPower()->value, $known->results[1]->likely->peakPower()->value, 1e-6);
        // Nothing holds it back, so what stage 2 multiplies the car by is the same.
        self::assertEqualsWithDelta(0.94 * $guessed->results[2]->likely->peakPower()->value, $known->results[2]->likely->peakPower()->value, 1e-6);
        self::assertEquals($guessed->results[0]->power, $known->results[0]->power);
        $width = fn (Estimate $estimate, int $stage): float => ($estimate->results[$stage]->power->p90 - $estimate->results[$stage]->power->p10) / $estimate->results[$stage]->power->p50;
        self::assertEqualsWithDelta(2 * 1.2816 * KnownCar::MEASURED, $width($known, 1), 0.0005);
        self::assertLessThan($width($guessed, 2), $width($known, 2));
    }

    public function test_a_baseline_that_nobody_believes_does_not_matter_once_a_stage_was_measured(): void
    {
        $guessed = fn (float $baseline): Estimate => Estimate::of(self::bundle(1.0, ['of' => ['parts' => ['map'], 'fuel' => 'pump']], $baseline));
        self::assertTrue($guessed(1.0)->allowsChances());
        self::assertFalse($guessed(0.6)->allowsChances());
        self::assertTrue(Estimate::of(self::bundle(1.0, [], 0.6))->allowsChances());
    }

    public function test_what_was_measured_of_something_else_is_set_aside(): void
    {
        foreach ([['parts' => ['map', 'filter', 'pipe'], 'fuel' => 'pump'], ['parts' => ['map'], 'fuel' => 'pump'], ['parts' => ['map', 'filter'], 'fuel' => 'strong']] as $of) {
            self::assertSame([0, 0, 0], Estimate::of(self::bundle(0.94, ['of' => $of]))->planned->knownAt);
        }
        self::assertSame([0, 1, 1], Estimate::of(self::bundle(0.94, ['of' => ['parts' => ['filter', 'map'], 'fuel' => 'pump']]))->planned->knownAt, 'in any order');
    }

    /** By hand: read high by 0.94, with 0.9 and 0.98 at P10 and P90: 0.08 / (2 · 1.28155 · 0.94) = 0.0332, with 0.015 of the roller 0.0364. */
    public function test_what_another_dyno_read_is_brought_to_the_shops_own_and_less_sure(): void
    {
        $own = Estimate::of(self::bundle(1.0))->results[1];
        $other = Estimate::of(self::bundle(1.0, ['frame' => ['dyno' => 'hub']]));
        self::assertEqualsWithDelta(0.94 * $own->likely->peakPower()->value, $other->results[1]->likely->peakPower()->value, 1e-6);
        self::assertEqualsWithDelta(0.0364, $other->planned->at(1)->known->doubt, 0.0001);
        self::assertEqualsWithDelta(KnownCar::MEASURED, Estimate::of(self::bundle(1.0))->planned->at(1)->known->doubt, 1e-12);
    }

    public function test_what_is_kept_of_a_stage_is_kept_for_what_the_car_is_known_as(): void
    {
        $store = new FiguresInMemory;
        Estimate::of(self::bundle(0.94), $store);
        Estimate::of(self::bundle(0.95), $store);
        Estimate::of(self::bundle(0.95), $store);
        self::assertSame([3, 2, 0], $store->computed, 'the car as received is the same');
    }

    public function test_candidates_and_what_would_narrow_the_range_start_from_it_too(): void
    {
        $adds = function (float $share): array {
            $found = [];
            foreach ((new Candidates(Estimate::of(self::bundle($share))->planned))->parts('pipe', 2) as $candidate) {
                $found[$candidate->choice->key] = $candidate->adds;
            }

            return $found;
        };
        [$full, $less] = [$adds(1.0), $adds(0.94)];
        self::assertGreaterThan(0.0, $full['pipe']);
        self::assertEqualsWithDelta(0.94 * $full['pipe'], $less['pipe'], 1e-6);
        // The map's gain was measured: what is still guessed is the cooler that came after.
        $doubted = array_column(Doubt::changed(Estimate::of(self::bundle(0.94))->results[2]->model, Estimate::of(self::bundle(0.94))->results[1]->model), 2);
        self::assertSame(['cooler'], array_map(fn (?Part $part): ?string => $part?->key, $doubted));
        self::assertNull((new Narrowing(Estimate::of(self::bundle(0.94))))->most());
        $document = SmallBundle::document();
        unset($document['brief']['received']['baseline']);
        self::assertFalse(SmallBundle::estimate($document)->isMeasured());
        self::assertSame([false, true], [SmallBundle::estimate($document)->allowsChances(), Estimate::of(self::bundle(1.0))->allowsChances()]);
    }
}
