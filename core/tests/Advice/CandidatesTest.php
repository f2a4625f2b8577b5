<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

final class CandidatesTest extends TestCase
{
    private static function bundle(Lyre $lyre): Bundle
    {
        $plan = new Plan(Stacking::Diminishing, false, PriceBasis::New, [
            new Stage('s1', '', 'pump', [Change::fit('map'), Change::fit('intake')]),
            new Stage('s2', '', 'pump', [Change::fit('downpipe'), Change::fit('map')]),
        ]);

        return new Bundle(new UnitSystem, new Rates('EUR', 8_500, 6_000, 2_000, 800), $lyre->catalog(), $lyre->brief(), $plan, '');
    }

    public function test_a_candidate_adds_what_the_estimate_with_it_gains(): void
    {
        $lyre = new Lyre;
        $with = $lyre->estimator(['map', 'intake'], ['downpipe', 'map', 'cooler'])->likelyPeaks()[2];
        $without = $lyre->estimator(['map', 'intake'], ['downpipe', 'map'])->likelyPeaks()[2];
        $candidate = (new Candidates(self::bundle($lyre)))->of('cooler', 2)[0];
        self::assertSame('cooler', $candidate->part->key);
        self::assertEqualsWithDelta($with[0] - $without[0], $candidate->adds, 1e-6);
        self::assertEqualsWithDelta($with[1] - $without[1], $candidate->addsTorque, 1e-6);
        self::assertFalse($candidate->chosen);
    }

    public function test_what_the_stage_fits_now_is_compared_with_the_slot_left_as_it_was(): void
    {
        $candidate = (new Candidates(self::bundle(new Lyre)))->of('downpipe', 2)[0];
        self::assertTrue($candidate->chosen);
        self::assertGreaterThan(5_000.0, $candidate->adds);
    }

    public function test_alternatives_are_ranked_by_power_for_money(): void
    {
        $lyre = new Lyre;
        $lyre->parts['better'] = Lyre::part('better', ['cooler'], [8, 9, 10], [6, 7, 8]);
        $keys = array_map(fn (Candidate $candidate): string => $candidate->part->key, (new Candidates(self::bundle($lyre)))->of('cooler', 2));
        self::assertSame(['better', 'cooler'], $keys);
    }
}
