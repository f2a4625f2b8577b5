<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\Fix;
use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\FixWords;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** The smallest change that settles a line of the verdict: what is offered is done, and the line looked at again. */
final class FixesTest extends TestCase
{
    private const LINES = ['target' => 0, 'budget' => 1, 'limits' => 2, 'build' => 3, 'fuel' => 4, 'law' => 5];

    /**
     * @param  array<string, mixed>  $document
     * @return list<array{sentence: string, commands: list<array<string, mixed>>}>
     */
    private static function fixes(array $document, string $subject): array
    {
        $opened = BundleReader::read($document);
        $fixes = new Fixes(Estimate::of($opened->bundle), $document['plan'], $opened->plan(...));
        $words = new FixWords(new UnitFormatter(new UnitSystem, Currency::of('EUR')));

        return array_map(fn (Fix $fix): array => ['sentence' => $words->of($fix->message), 'commands' => $fix->commands], $fixes->of(VerdictSubject::from($subject)));
    }

    /** @param  array<string, mixed>  $document */
    private static function statusOf(array $document, string $subject): string
    {
        return EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['verdict'][self::LINES[$subject]]['status'];
    }

    /**
     * @param  array<string, mixed>  $document
     * @return list<string> the sentences, after each was tried
     */
    private static function settled(array $document, string $subject): array
    {
        self::assertSame('over', self::statusOf($document, $subject), 'there is something to settle');
        $catalog = BundleReader::read($document)->bundle->catalog;
        foreach (self::fixes($document, $subject) as $fix) {
            $after = ['plan' => Commands::apply($document['plan'], $fix['commands'], $catalog)] + $document;
            self::assertNotSame('over', self::statusOf($after, $subject), $fix['sentence']);
        }

        return array_column(self::fixes($document, $subject), 'sentence');
    }

    public function test_what_is_missing_is_fitted(): void
    {
        self::assertSame(['Pipe in stage 2.'], self::settled(SmallBundle::document(), 'build'));
    }

    public function test_what_the_road_forbids_is_taken_out(): void
    {
        self::assertSame(['Remove Filter from stage 1.'], self::settled(SmallBundle::with('parts.1.law', ['track_only' => true, 'note' => 'no']), 'law'));
    }

    public function test_too_much_money_is_met_by_second_hand_or_by_what_is_missed_least(): void
    {
        $document = SmallBundle::with('brief.budget.total', 850);
        $document['parts'][3]['price'] = ['new' => 400, 'used' => 50, 'hours' => 1];
        $sentences = self::settled($document, 'budget');
        self::assertMatchesRegularExpression('/^With second-hand prices it comes to € \d+\.$/', $sentences[0]);
        self::assertMatchesRegularExpression('/^Without Cooler it comes to € \d+, for \d+ whp\.$/', $sentences[1]);
        self::assertSame([], self::fixes(SmallBundle::with('brief.budget.total', 1), 'budget'), 'nothing single helps');
        self::assertSame([], self::fixes(SmallBundle::document(), 'budget'), 'nothing to settle');
    }

    public function test_where_no_single_part_settles_it_two_or_three_do(): void
    {
        $document = SmallBundle::document();
        foreach (['a', 'b', 'c'] as $i => $key) {
            $document['platform']['slots'][] = ['key' => "place-{$key}", 'name' => "Place {$key}", 'lane' => 'air', 'family' => 'air', 'stock' => 'stock'];
            $document['parts'][] = ['key' => $key, 'name' => "Tube {$key}", 'maker' => 'Kolvane', 'slots' => ["place-{$key}"], 'price' => ['new' => 100 + $i], 'gains' => [['power' => 4, 'torque' => 4, 'unmapped' => 1.0, 'evidence' => ['kind' => 'maker']]]];
        }
        $likely = SmallBundle::estimate($document)->last()->power->p50 / 745.699872;
        $asking = fn (float $more): array => SmallBundle::change($document, 'brief.target', ['power' => round($likely + $more, 1)]);
        $parts = fn (float $more): int => count(array_filter(self::fixes($asking($more), 'target')[0]['commands'] ?? [], fn (array $command): bool => $command['do'] === 'fit' && $command['part'] !== 'map'));
        $found = array_map($parts, [1.0, 7.0, 9.0, 60.0]);
        self::assertSame([1, 2, 3, 0], $found);
        self::settled($asking(7.0), 'target');

        $dear = SmallBundle::document();
        foreach ([1, 3] as $part) {
            $dear['parts'][$part]['price'] = ['new' => 300];
        }
        $dear['brief']['budget']['total'] = SmallBundle::estimate($dear)->total()->likely / 100 - 500;
        self::assertMatchesRegularExpression('/^Without \w+ and \w+ it comes to/', implode('|', array_filter(self::settled($dear, 'budget'), fn (string $one): bool => str_starts_with($one, 'Without'))));
    }

    public function test_of_two_parts_that_could_go_the_one_missed_least_is_named(): void
    {
        $document = SmallBundle::document();
        $document['parts'][1]['price'] = ['new' => 400];
        $document['parts'][3]['price'] = ['new' => 400];
        $estimate = SmallBundle::estimate($document);
        $document['brief']['budget']['total'] = $estimate->cumulative(2)->likely / 100 - 50;
        $lost = [];
        foreach ($estimate->last()->shares as $share) {
            $lost[$share->part->name] = $share->lost;
        }
        self::assertGreaterThan($lost['Cooler'], $lost['Filter'], 'the uncovered cooler is missed less');
        self::assertStringStartsWith('Without Cooler', self::settled($document, 'budget')[0]);
    }

    public function test_a_target_just_out_of_reach_is_met_by_the_cheapest_part_that_does(): void
    {
        $likely = SmallBundle::estimate(SmallBundle::document())->last()->power->p50 / 745.699872;
        $document = SmallBundle::with('brief.target', ['power' => round($likely + 1.0)]);
        $document['parts'][] = ['key' => 'dear', 'name' => 'Dear pipe', 'maker' => 'Kolvane', 'slots' => ['pipe'], 'price' => ['new' => 900], 'gains' => [['power' => 9, 'torque' => 9, 'evidence' => ['kind' => 'maker']]]];
        self::assertSame('over', self::statusOf($document, 'target'), 'it is out of reach');
        $fixes = self::fixes($document, 'target');
        self::assertCount(1, $fixes);
        self::assertStringNotContainsString('Dear', $fixes[0]['sentence']);
        self::assertStringStartsWith('Late in the last stage', $fixes[0]['sentence'], 'in the place of the cooler, which costs as much');
        self::assertSame([], self::fixes(SmallBundle::with('brief.target', ['power' => 900]), 'target'));
    }

    /** A torque at a speed is met as a power is: by what gives it at that speed, not by what raises a peak elsewhere. */
    public function test_a_torque_just_out_of_reach_is_met_at_its_speed(): void
    {
        $likely = SmallBundle::estimate(SmallBundle::document())->last()->likely->torqueAt(5500.0) / 1.3558179483;
        $document = SmallBundle::with('brief.target', ['torque' => round($likely + 4.0), 'at_rpm' => 5500]);
        $document['parts'][5]['price'] = ['new' => 400];
        $gain = fn (float $low, float $high): array => [['over_rpm' => [['rpm' => 2500, 'power' => $low], ['rpm' => 5000, 'power' => $high]], 'unmapped' => 1.0, 'evidence' => ['kind' => 'maker']]];
        foreach (['low' => [50, 12, 0], 'high' => [90, 0, 12]] as $key => [$price, $low, $high]) {
            $document['parts'][] = ['key' => $key, 'name' => ucfirst($key), 'maker' => 'Kolvane', 'slots' => ['pipe'], 'price' => ['new' => $price], 'gains' => $gain($low, $high)];
        }
        self::assertMatchesRegularExpression('/^High in the last stage, mapped in, likely gives \d+ lb-ft at 5,500 rpm\.$/', self::fixes($document, 'target')[0]['sentence'] ?? 'nothing was offered');
        self::assertSame([], self::fixes(SmallBundle::with('brief.target', ['torque' => 900, 'at_rpm' => 5500]), 'target'));
    }

    public function test_a_time_just_out_of_reach_is_met_by_the_power_it_asks(): void
    {
        $document = SmallBundle::with('platform.mass', 1300);
        $document['brief']['target'] = ['quarter_mile' => 14.0];
        for ($seconds = 14.0; $seconds > 10.0 && self::statusOf($document, 'target') !== 'over'; $seconds -= 0.02) {
            $document['brief']['target'] = ['quarter_mile' => round($seconds, 2)];
        }
        $document['parts'][5]['price'] = ['new' => 400];
        $document['parts'][] = ['key' => 'much', 'name' => 'Much', 'maker' => 'Kolvane', 'slots' => ['pipe'], 'price' => ['new' => 90], 'gains' => [['power' => 15, 'torque' => 15, 'unmapped' => 1.0, 'evidence' => ['kind' => 'maker']]]];
        self::assertStringStartsWith('Much in the last stage', self::fixes($document, 'target')[0]['sentence'] ?? 'nothing was offered');
    }

    public function test_a_limit_is_met_by_the_cheapest_part_that_bears_it(): void
    {
        $limit = fn (string $key, float $safe): array => ['key' => $key, 'name' => ucfirst($key), 'slot' => 'rods', 'quantity' => 'wheel-torque', 'safe' => $safe, 'edge' => $safe + 60, 'consequence' => 'a rod bends', 'evidence' => ['kind' => 'maker']];
        $document = SmallBundle::with('platform.limits', [$limit('rods', 250)]);
        foreach ([['weak', 20, 255], ['strong', 300, 900], ['stronger', 700, 950]] as [$key, $price, $safe]) {
            $document['parts'][] = ['key' => $key, 'name' => ucfirst($key).' rods', 'maker' => 'Kolvane', 'slots' => ['rods'], 'price' => ['new' => $price], 'effects' => ['limits' => [$limit("{$key}-own", $safe)]]];
        }
        self::assertSame([
            'Strong rods in stage 1, and every limit is within what was asked.',
            'Cap torque at 249 lb-ft from 2,200 rpm to 5,450 rpm from stage 1 on: costs 0 whp and 19 lb-ft at their peaks.',
        ], self::settled($document, 'limits'));
    }

    public function test_a_fuel_out_of_reach_gives_way_to_the_best_within(): void
    {
        $document = SmallBundle::with('brief.fuels', ['pump']);
        $document['plan']['stages'][1]['fuel'] = 'strong';
        $sentences = self::settled($document, 'fuel');
        self::assertMatchesRegularExpression('/^Pump 98 from stage 2 on, mapped for it, likely gives \d+ whp in the end\.$/', $sentences[0]);
    }
}
