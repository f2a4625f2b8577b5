<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\Fix;
use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Report\CandidateDocument;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\FixWords;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\MassUnit;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What gearing, grip and mass are worth where a time is asked, by the same rule of thumb. */
final class TimeTargetTest extends TestCase
{
    private const SECONDS = 13.4;

    /**
     * A plan of one map for a car of 1,350 kg that is to run a quarter mile.
     *
     * @param  array<string, mixed>  $effects  of a final drive that could be fitted
     * @return array<string, mixed>
     */
    private static function document(array $effects, bool $fitted, float $seconds = self::SECONDS): array
    {
        $document = SmallBundle::with('brief.target', ['quarter_mile' => $seconds]);
        $document['platform']['mass'] = 1350;
        $document['platform']['slots'][] = ['key' => 'final', 'name' => 'Final drive', 'lane' => 'inside', 'family' => 'air', 'stock' => '3.9'];
        $document['parts'][] = ['key' => 'final', 'name' => 'Short final drive', 'maker' => 'Tarnstone', 'slots' => ['final'], 'effects' => $effects, 'price' => ['new' => 500, 'hours' => 6]];
        $document['plan']['stages'] = [['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => [['fit' => 'map'], ...($fitted ? [['fit' => 'final']] : [])]]];

        return $document;
    }

    /** @return iterable<string, array{array<string, mixed>, float}> effects, and whp asked by hand: 1,350 kg are 2,976.2 lb, 14 % lost */
    public static function effects(): iterable
    {
        $asked = fn (float $seconds, float $pounds, float $gearing): float => $pounds * (5.825 / $seconds) ** 3 / $gearing ** 0.3 * 0.86;
        yield 'nothing' => [[], $asked(13.4, 2976.24, 1.0)];
        yield 'shorter by 8 %' => [['gearing_percent' => 8], $asked(13.4, 2976.24, 1.08)];
        yield 'longer by 8 %' => [['gearing_percent' => -8], $asked(13.4, 2976.24, 0.92)];
        yield 'shorter than pays' => [['gearing_percent' => 45], $asked(13.4, 2976.24, 1.2)];
        yield 'lighter by 50 kg' => [['mass' => -50], $asked(13.4, 2976.24 - 50 / MassUnit::Pound->kilograms(), 1.0)];
        yield 'grip' => [['launch_seconds' => [0.1, 0.2, 0.3]], $asked(13.6, 2976.24, 1.0)];
    }

    /** @param  array<string, mixed>  $effects */
    #[DataProvider('effects')]
    public function test_the_time_asks_what_the_rule_says_of_the_car_as_it_is_then(array $effects, float $whp): void
    {
        $estimate = SmallBundle::estimate(self::document($effects, true));
        self::assertEqualsWithDelta($whp, $estimate->target(1) / PowerUnit::HP, 0.05);
        self::assertEqualsWithDelta(2976.24 * (5.825 / 13.4) ** 3 * 0.86, $estimate->target(0) / PowerUnit::HP, 0.05, 'the car as received has none of it');
        $power = $estimate->last()->power;
        self::assertSame($estimate->isShort(), $power->p50 < $estimate->target(1));
    }

    public function test_shorter_gears_raise_the_chance_and_leave_the_power(): void
    {
        $seconds = 12.5;
        $without = SmallBundle::estimate(self::document([], true, $seconds));
        $with = SmallBundle::estimate(self::document(['gearing_percent' => 8], true, $seconds));
        self::assertSame($without->last()->power->p50, $with->last()->power->p50);
        self::assertGreaterThan($without->last()->power->chance, $with->last()->power->chance);
        self::assertGreaterThan($without->last()->chanceWithin(Risk::Normal), $with->last()->chanceWithin(Risk::Normal));
        $reasons = fn (Estimate $estimate): string => implode(' ', array_column(EstimateDocument::of($estimate, new UnitSystem)['verdict'][0]['reasons'], 'sentence'));
        self::assertStringContainsString('less with the plan’s gearing, grip and mass', $reasons($with));
        self::assertStringNotContainsString('gearing, grip and mass', $reasons($without));
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function worths(): iterable
    {
        yield 'short gears' => [['gearing_percent' => 8], 'as +5 whp for the time'];
        yield 'nothing that counts' => [[], 'carries others'];
        yield 'longer gears' => [['gearing_percent' => -8], 'as -5 whp for the time'];
    }

    /** @param  array<string, mixed>  $effects */
    #[DataProvider('worths')]
    public function test_a_candidate_says_what_it_is_worth_for_the_time(array $effects, string $words): void
    {
        $opened = BundleReader::read(self::document($effects, false));
        $estimate = Estimate::of($opened->bundle);
        $candidate = (new Candidates($estimate->planned))->parts('final', 1)[0];
        $written = (new CandidateDocument($opened->bundle->catalog, UnitFormatter::for($opened->bundle, new UnitSystem)))->of($candidate);
        self::assertSame($words, $written['adds']);
    }

    public function test_the_board_says_what_the_gears_are_worth_for_the_time(): void
    {
        $cell = function (array $document): string {
            $slots = array_merge(...array_column(EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['lanes'], 'slots'));

            return array_column($slots, null, 'key')['final']['cells'][1]['value'];
        };
        $document = self::document(['gearing_percent' => 8], true);
        self::assertSame('as +5', $cell($document));
        $document['brief']['target'] = ['power' => 250];
        self::assertSame('carries others', $cell($document));
    }

    public function test_a_final_drive_is_a_way_to_reach_the_time(): void
    {
        $document = self::document(['gearing_percent' => 8], false);
        $document['parts'] = array_values(array_filter($document['parts'], fn (array $part): bool => in_array($part['key'], ['map', 'final', 'filter', 'pipe'], true)));
        $document['parts'][1]['gains'] = $document['parts'][2]['gains'] = [];
        $document['parts'] = array_map(fn (array $part): array => array_diff_key($part, ['requires' => 0, 'recommends' => 0]), $document['parts']);
        $peak = SmallBundle::estimate($document)->reached()->p50;
        // Two whp short of what is asked.
        $document['brief']['target']['quarter_mile'] = 5.825 * (2976.24 * 0.86 / ($peak / PowerUnit::HP + 2.0)) ** (1 / 3);
        $opened = BundleReader::read($document);
        $fixes = (new Fixes(Estimate::of($opened->bundle), $document['plan'], $opened->plan(...)))->of(VerdictSubject::Target);
        $words = array_map(fn (Fix $fix): string => (new FixWords(UnitFormatter::for($opened->bundle, new UnitSystem)))->of($fix->message), $fixes);
        self::assertCount(1, $words);
        self::assertStringStartsWith('Short final drive in the last stage, mapped in, likely gives', $words[0]);
        self::assertStringContainsString('the time asks', $words[0]);
    }
}
