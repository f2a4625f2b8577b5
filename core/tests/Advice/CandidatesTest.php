<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\TestCase;

final class CandidatesTest extends TestCase
{
    /** @return list<Candidate> for a slot of the second stage */
    private static function candidates(Lyre $lyre, string $slot): array
    {
        return (new Candidates($lyre->estimate(['map', 'intake'], ['downpipe', 'map'])->planned))->parts($slot, 2);
    }

    public function test_a_candidate_adds_what_the_estimate_with_it_gains(): void
    {
        $lyre = new Lyre;
        $with = $lyre->last(['map', 'intake'], ['downpipe', 'map', 'cooler'])->likely;
        $without = $lyre->last(['map', 'intake'], ['downpipe', 'map'])->likely;
        $candidate = self::candidates($lyre, 'cooler')[0];
        self::assertSame('cooler', $candidate->choice->key);
        self::assertEqualsWithDelta($with->peakPower()->value - $without->peakPower()->value, $candidate->adds, 1e-6);
        self::assertEqualsWithDelta($with->peakTorque()->value - $without->peakTorque()->value, $candidate->addsTorque, 1e-6);
        self::assertFalse($candidate->chosen);
    }

    public function test_what_the_stage_fits_now_is_compared_with_the_slot_left_as_it_was(): void
    {
        $candidate = self::candidates(new Lyre, 'downpipe')[0];
        self::assertTrue($candidate->chosen);
        self::assertGreaterThan(5_000.0, $candidate->adds);
    }

    public function test_alternatives_are_ranked_by_power_for_money(): void
    {
        $lyre = new Lyre;
        $lyre->parts['better'] = Lyre::part('better', ['cooler'], [8, 9, 10], [6, 7, 8]);
        $keys = array_map(fn (Candidate $candidate): string => $candidate->choice->key, self::candidates($lyre, 'cooler'));
        self::assertSame(['better', 'cooler'], $keys);
    }

    /** By hand: the map alone gives 184 kW; the pipe's 5 more of 184 would give 189, of which a hard ceiling of 185 leaves 1. */
    public function test_a_candidate_names_the_ceiling_that_takes_what_it_adds(): void
    {
        $lyre = new Lyre;
        $lyre->ceilings = [new Ceiling('pump', 'The stock pump', false, false, false, [[0.0, Range::exact(186_000.0)]], null)];
        $candidates = (new Candidates($lyre->estimate(['map'])->planned))->parts('inlet', 1);
        self::assertEqualsWithDelta(186_000.0 - 185_370.0, $candidates[0]->adds, 20.0);
        self::assertSame(['The stock pump'], array_map(fn (CeilingCost $cost): string => $cost->ceiling->name, $candidates[0]->ceilings));
        $lyre->ceilings = [];
        self::assertSame([], (new Candidates($lyre->estimate(['map'])->planned))->parts('inlet', 1)[0]->ceilings);
    }

    public function test_a_fuel_is_held_against_the_fuel_of_the_stage_before(): void
    {
        $document = SmallBundle::document();
        $document['plan']['stages'][1]['fuel'] = 'strong';
        [$pump, $strong] = (new Candidates(SmallBundle::estimate($document)->planned))->fuels(2);
        self::assertSame(['pump', 'strong', false, true], [$pump->choice->key, $strong->choice->key, $pump->chosen, $strong->chosen]);
        self::assertSame(0.0, $pump->adds);
        self::assertSame([], $pump->findings);
        self::assertSame(['wrong-fuel'], array_map(fn (Finding $finding): string => $finding->kind->value, $strong->findings));
        self::assertSame(0, $strong->costs);
    }
}
