<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Advice\AnswerEffects;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Question;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\AnswerWords;
use Pebblerun\Core\Report\Words\FindingWords;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the conversation says of a plan. */
final class BriefTest extends TestCase
{
    public function test_readiness_counts_answers_and_names_what_is_open(): void
    {
        $open = fn (array $brief): array => array_map(fn (Question $question): string => $question->value, Readiness::of($brief)->open);
        self::assertSame(array_column(Question::cases(), 'value'), $open([]));
        self::assertNotContains('refuses', $open(['refuses' => []]), 'asked, and nothing named, is an answer');
        self::assertNotContains('health', $open(['received' => ['healthy' => false]]));
        self::assertContains('budget', $open(['budget' => ['now' => 100]]));
        $given = fn (Warning ...$warnings): array => ['warnings' => array_map(fn (Warning $one): array => ['warning' => $one->value], $warnings)];
        self::assertContains('warnings', $open($given(Warning::Law)));
        self::assertNotContains('warnings', $open($given(...Warning::cases())));
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
        self::assertSame($allowed, BundleReader::read(SmallBundle::with('brief.received.checks', $checks))->bundle->brief->received->isMeasuredAndHealthy());
    }

    public function test_what_a_check_found_is_a_fault_that_comes_first(): void
    {
        $estimate = SmallBundle::estimate(SmallBundle::with('brief.received.checks', ['compression' => 'bad']));
        self::assertSame([HealthCheck::Compression], $estimate->bundle->brief->received->failed);
        $build = EstimateDocument::of($estimate, new UnitSystem)['verdict'][3];
        self::assertSame('over', $build['status']);
        self::assertStringContainsString('compression or leak-down found something', $build['reasons'][0]['sentence']);
    }

    public function test_a_place_nobody_knows_stands_in_column_zero(): void
    {
        $document = EstimateDocument::of(SmallBundle::estimate(SmallBundle::with('brief.received.unknown', ['pipe'])), new UnitSystem);
        $rows = array_column(array_merge(...array_column($document['lanes'], 'slots')), null, 'key');
        self::assertSame(['unknown', 'not known'], [$rows['pipe']['cells'][0]['state'], $rows['pipe']['cells'][0]['name']]);
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage('brief.received.unknown[0]');
        BundleReader::read(SmallBundle::with('brief.received.unknown', ['moon']));
    }

    /** @return list<string> what is unwanted in stage 2 */
    private static function unwanted(array $brief, array $part): array
    {
        $document = SmallBundle::document();
        $document['brief'] = [...$document['brief'], ...$brief];
        $document['parts'][3] = [...$document['parts'][3], ...$part];
        $estimate = SmallBundle::estimate($document);
        $result = $estimate->results[2];
        $words = new FindingWords($estimate->bundle->catalog);

        return array_values(array_filter(array_map(fn (Finding $one): string => $one->kind === FindingKind::Unwanted ? $words->of($one, $result->state->build) : '', $result->findings)));
    }

    public function test_what_the_customer_will_not_have_is_found_by_tag_caution_and_effect(): void
    {
        self::assertSame(['Cooler needs cutting or grinding, and the customer refuses that.'], self::unwanted(['refuses' => ['cutting', 'lag']], []));
        self::assertSame(['Cooler makes the car louder, and the customer refuses that.'], self::unwanted(['noise' => 'as-stock'], ['tags' => ['louder']]));
        self::assertSame([], self::unwanted(['noise' => 'a-little'], ['tags' => ['louder']]));
        self::assertSame(['Cooler brings boost later, and the customer refuses that.'], self::unwanted(['refuses' => ['lag']], ['effects' => ['spool_rpm' => 100]]));
        self::assertSame([], self::unwanted(['refuses' => ['lag']], ['effects' => ['spool_rpm' => -100]]));
        self::assertSame([], self::unwanted(['refuses' => ['cutting'], 'received' => [...SmallBundle::document()['brief']['received'], 'parts' => ['cooler']]], []), 'what came with the car is the customer’s own');
    }

    /** @return array<string, list<string>> */
    private static function said(Estimate $estimate): array
    {
        $words = new AnswerWords(new UnitFormatter(new UnitSystem, Currency::of('EUR')));

        return array_map(fn (array $messages): array => array_map($words->of(...), $messages), (new AnswerEffects($estimate))->byQuestion());
    }

    /** @return array<string, list<string>> */
    private static function means(string $path, mixed $value): array
    {
        $estimate = SmallBundle::estimate(SmallBundle::with($path, $value));

        return self::said($estimate);
    }

    public function test_an_answer_says_what_it_changes(): void
    {
        self::assertSame([], self::means('brief.target', null)['target']);
        self::assertMatchesRegularExpression('/^The plan is there after stage 1, at € [\d,]+ in all\.$/', self::means('brief.target', ['power' => 170])['target'][1]);
        self::assertSame('Neither one part more nor two or three together get this plan there.', self::means('brief.target', ['power' => 900])['target'][1]);
        self::assertMatchesRegularExpression('/^Stage 2 takes \d+ months? of € 50\.$/', self::means('brief.budget', ['monthly' => 50])['budget'][0]);
        self::assertStringContainsString('lies above the range in use', self::means('brief.rpm_range', ['from' => 1500, 'to' => 3000])['range'][1]);
        self::assertSame(['Cautious: refuses Rods in stage 1 (close to safe).', 'Normal: allows every stage.', 'Bold: allows every stage.'], self::means('platform.limits.0.over_rpm', [['rpm' => 1500, 'safe' => 270, 'edge' => 400]])['risk']);
        self::assertSame('Cautious: refuses Rods in stage 1 (over safe).', self::means('platform.limits.0.over_rpm', [['rpm' => 1500, 'safe' => 240, 'edge' => 400]])['risk'][0]);
        self::assertSame(['The road leaves out one part of this platform’s catalogue.'], self::means('parts.1.law', ['track_only' => true, 'note' => 'no'])['use']);
    }

    public function test_the_least_part_that_makes_up_what_is_short_is_the_cheapest_that_does(): void
    {
        $likely = SmallBundle::estimate(SmallBundle::document())->last()->power->p50 / 745.699872;
        $document = SmallBundle::with('brief.target', ['power' => round($likely) + 1]);
        $document['parts'][] = ['key' => 'dear', 'name' => 'Dear pipe', 'maker' => 'Kolvane', 'slots' => ['pipe'], 'price' => ['new' => 900], 'gains' => [['power' => 6, 'torque' => 6, 'evidence' => ['kind' => 'maker']]]];
        $sentences = self::said(SmallBundle::estimate($document))['target'];
        self::assertStringStartsWith('The least that gets this plan there: ', $sentences[1]);
        self::assertStringNotContainsString('Dear', $sentences[1]);
    }
}
