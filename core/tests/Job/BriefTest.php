<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Advice\AnswerEffects;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the conversation says of a plan. */
final class BriefTest extends TestCase
{
    public function test_readiness_counts_answers_and_names_what_is_open(): void
    {
        $open = fn (array $brief): array => array_column(Readiness::of($brief)->open, 'key');
        self::assertCount(15, $open([]));
        self::assertSame(0, Readiness::of([])->answered());
        self::assertNotContains('refuses', $open(['refuses' => []]), 'asked, and nothing named, is an answer');
        self::assertNotContains('health', $open(['came' => ['healthy' => false]]));
        self::assertContains('budget', $open(['budget' => ['now' => 100]]));
        $told = fn (Warning ...$warnings): array => ['told' => array_map(fn (Warning $one): array => ['warning' => $one->value], $warnings)];
        self::assertContains('told', $open($told(Warning::Law)));
        self::assertNotContains('told', $open($told(...Warning::cases())));
    }

    public static function checks(): iterable
    {
        $needed = ['plugs' => 'good', 'compression' => 'good', 'leaks' => 'good', 'clutch' => 'good', 'oil' => 'good'];
        yield 'all needed are good' => [$needed, true];
        yield 'one needed is not known' => [array_diff_key($needed, ['oil' => 1]), false];
        yield 'one needed found something' => [['oil' => 'bad'] + $needed, false];
        yield 'a wise one found something' => [['tyres' => 'bad'] + $needed, false];
        yield 'none looked at' => [[], false];
    }

    #[DataProvider('checks')]
    public function test_a_chance_needs_every_needed_check_good_and_none_bad(array $checks, bool $allowed): void
    {
        self::assertSame($allowed, BundleReader::read(SmallBundle::with('brief.came.checks', $checks))->brief->came->allowsChances());
    }

    public function test_what_a_check_found_is_a_fault_that_comes_first(): void
    {
        $estimate = Estimate::of(BundleReader::read(SmallBundle::with('brief.came.checks', ['compression' => 'bad'])));
        self::assertSame([HealthCheck::Compression], $estimate->bundle->brief->came->failed);
        $build = EstimateDocument::of($estimate, new UnitSystem)['verdict'][3];
        self::assertSame('over', $build['status']);
        self::assertStringContainsString('compression or leak-down found something', $build['reasons'][0]);
    }

    public function test_a_place_nobody_knows_stands_in_column_zero(): void
    {
        $document = EstimateDocument::of(Estimate::of(BundleReader::read(SmallBundle::with('brief.came.unknown', ['pipe']))), new UnitSystem);
        $rows = array_column(array_merge(...array_column($document['lanes'], 'slots')), null, 'key');
        self::assertSame(['unknown', 'not known'], [$rows['pipe']['cells'][0]['state'], $rows['pipe']['cells'][0]['name']]);
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage('brief.came.unknown[0]');
        BundleReader::read(SmallBundle::with('brief.came.unknown', ['moon']));
    }

    /** @return list<string> what is unwanted in stage 2 */
    private static function unwanted(array $brief, array $part): array
    {
        $document = SmallBundle::document();
        $document['brief'] = [...$document['brief'], ...$brief];
        $document['parts'][3] = [...$document['parts'][3], ...$part];
        $findings = Estimate::of(BundleReader::read($document))->findings[2];

        return array_values(array_filter(array_map(fn ($one): string => $one->kind->value === 'unwanted' ? $one->sentence : '', $findings)));
    }

    public function test_what_the_customer_will_not_have_is_found_by_tag_caution_and_effect(): void
    {
        self::assertSame(['Cooler needs cutting or grinding, and the customer will not have that.'], self::unwanted(['refuses' => ['cutting', 'lag']], []));
        self::assertSame(['Cooler makes the car louder, and the customer will not have that.'], self::unwanted(['noise' => 'as-stock'], ['tags' => ['louder']]));
        self::assertSame([], self::unwanted(['noise' => 'a-little'], ['tags' => ['louder']]));
        self::assertSame(['Cooler brings boost later, and the customer will not have that.'], self::unwanted(['refuses' => ['lag']], ['effects' => ['spool_rpm' => 100]]));
        self::assertSame([], self::unwanted(['refuses' => ['lag']], ['effects' => ['spool_rpm' => -100]]));
        self::assertSame([], self::unwanted(['refuses' => ['cutting'], 'came' => [...SmallBundle::document()['brief']['came'], 'parts' => ['cooler']]], []), 'what came with the car is the customer’s own');
    }

    /** @return array<string, list<string>> */
    private static function means(string $path, mixed $value): array
    {
        $estimate = Estimate::of(BundleReader::read(SmallBundle::with($path, $value)));

        return (new AnswerEffects($estimate, new UnitFormatter(new UnitSystem, 'EUR')))->sentences();
    }

    public function test_an_answer_says_what_it_changes(): void
    {
        self::assertSame([], self::means('brief.target', null)['target']);
        self::assertMatchesRegularExpression('/^The plan is there after stage 1, at € [\d,]+ in all\.$/', self::means('brief.target', ['power' => 170])['target'][1]);
        self::assertSame('No single part more gets this plan there.', self::means('brief.target', ['power' => 900])['target'][1]);
        self::assertMatchesRegularExpression('/^Stage 2 takes \d+ months? of € 50\.$/', self::means('brief.budget', ['monthly' => 50])['budget'][0]);
        self::assertStringContainsString('lies above what is used', self::means('brief.rpm_range', ['from' => 1500, 'to' => 3000])['range'][1]);
        self::assertSame(['Cautious: refuses Rods in stage 1 (close).', 'Usual: allows every stage.', 'Bold: allows every stage.'], self::means('brief.appetite', 'usual')['risk']);
        self::assertSame('Cautious: refuses Rods in stage 1 (over).', self::means('platform.limits.0.over_rpm', [['rpm' => 1500, 'safe' => 240, 'edge' => 400]])['risk'][0]);
        self::assertSame(['The road leaves out one part of this platform’s catalogue.'], self::means('parts.1.law', ['track_only' => true, 'note' => 'no'])['use']);
    }

    public function test_the_least_part_that_makes_up_what_is_short_is_the_cheapest_that_does(): void
    {
        $likely = Estimate::of(BundleReader::read(SmallBundle::document()))->last()->power->p50 / 745.699872;
        $document = SmallBundle::with('brief.target', ['power' => round($likely) + 1]);
        $document['parts'][] = ['key' => 'dear', 'name' => 'Dear pipe', 'maker' => 'Kolvane', 'slots' => ['pipe'], 'price' => ['new' => 900], 'gains' => [['power' => 6, 'torque' => 6, 'evidence' => ['kind' => 'maker']]]];
        $sentences = (new AnswerEffects(Estimate::of(BundleReader::read($document)), new UnitFormatter(new UnitSystem, 'EUR')))->sentences()['target'];
        self::assertStringStartsWith('The least that gets this plan there: ', $sentences[1]);
        self::assertStringNotContainsString('Dear', $sentences[1]);
    }
}
