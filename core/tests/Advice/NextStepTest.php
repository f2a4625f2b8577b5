<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Job\Life\StageLife;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\TestCase;

/** What is due on a job: the first rule that holds. */
final class NextStepTest extends TestCase
{
    /** @return array<string, mixed> a bundle on which nothing is due */
    private static function ready(): array
    {
        $document = SmallBundle::document();
        $document['brief'] = [
            ...$document['brief'],
            'purpose' => 'commutes', 'rpm_range' => ['from' => 2000, 'to' => 6000], 'fuels' => ['pump'], 'use' => 'road',
            'noise' => 'open', 'inspection' => 'usual', 'warranty' => 'over', 'refuses' => [], 'risk' => 'bold',
            'target' => ['power' => 160], 'budget' => ['total' => 9000],
            'warnings' => array_map(fn (Warning $one): array => ['warning' => $one->value, 'on' => '2026-11-01', 'by' => 'Ines'], Warning::cases()),
        ];
        $document['brief']['car']['mileage_km'] = 40_000;
        $document['plan']['stages'][1]['changes'] = [['fit' => 'cooler'], ['fit' => 'pipe']];

        return $document;
    }

    /** @param  array<string, mixed>  $document */
    private static function due(array $document): NextStep
    {
        return NextStep::of(Readiness::of($document['brief']), SmallBundle::estimate($document));
    }

    private static function after(string $path, mixed $value): NextStep
    {
        return self::due(SmallBundle::change(self::ready(), $path, $value));
    }

    public function test_nothing_due_is_ready(): void
    {
        self::assertSame(NextStep::Ready, self::due(self::ready()));
    }

    public function test_each_rule_speaks_by_itself(): void
    {
        self::assertSame(NextStep::Brief, self::after('brief.noise', null));
        self::assertSame(NextStep::Baseline, self::after('brief.received.healthy', false));
        self::assertSame(NextStep::Open, self::after('plan.stages.1.changes', [['fit' => 'cooler']]));
        self::assertSame(NextStep::Limit, self::after('platform.limits.0.over_rpm', [['rpm' => 1500, 'safe' => 150, 'edge' => 160]]));
        self::assertSame(NextStep::Budget, self::after('brief.budget.total', 100));
        self::assertSame(NextStep::Target, self::after('brief.target', ['power' => 400]));
        self::assertSame(NextStep::Target, self::after('brief.target', ['torque' => 900, 'at_rpm' => 3000]));
    }

    public function test_once_the_customer_has_it_that_leads(): void
    {
        $after = fn (NextStep $due): array => array_map(fn (StageLife $life): NextStep => $due->amid($life), StageLife::cases());
        self::assertSame([NextStep::Budget, NextStep::Answer, NextStep::Order, NextStep::Begin, NextStep::Work, NextStep::Done], $after(NextStep::Budget));
        self::assertSame(NextStep::Ready, NextStep::Ready->amid(StageLife::Planned));
    }

    public function test_what_comes_first_in_the_work_comes_first(): void
    {
        $all = self::ready();
        $all['brief']['noise'] = null;
        $all['brief']['received']['healthy'] = false;
        $all['brief']['budget']['total'] = 100;
        $all['brief']['target'] = ['power' => 400];
        self::assertSame(NextStep::Brief, self::due($all));
        $all['brief']['noise'] = 'open';
        self::assertSame(NextStep::Baseline, self::due($all));
        $all['brief']['received']['healthy'] = true;
        self::assertSame(NextStep::Budget, self::due($all));
        $all['brief']['budget']['total'] = 9000;
        self::assertSame(NextStep::Target, self::due($all));
    }

    public function test_a_missing_measurement_is_a_step_of_its_own_and_no_open_question(): void
    {
        $document = self::ready();
        unset($document['brief']['received']['baseline'], $document['brief']['received']['healthy']);
        self::assertSame(NextStep::Baseline, self::due($document));
    }

    public function test_the_oldest_price_that_counts_is_known(): void
    {
        $document = self::ready();
        $oldest = fn (array $document): ?string => SmallBundle::estimate($document)->oldestPrice();
        self::assertNull($oldest($document));
        $document['parts'][0]['price']['as_of'] = '2026-06-01';
        $document['parts'][1]['price']['as_of'] = '2026-05-01';
        $document['parts'][4]['price']['as_of'] = '2020-01-01';
        self::assertSame('2026-05-01', $oldest($document), 'of parts that are bought');
        $document['plan']['stages'][0]['changes'][1]['agreed'] = 50;
        self::assertSame('2026-06-01', $oldest($document), 'an agreed price does not age');
    }
}
