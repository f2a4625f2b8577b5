<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What a limit says of itself in every quantity: its sentence, how much less would do, and what would bear more. */
final class MoversTest extends TestCase
{
    /** @param  array<string, mixed>  $limit */
    private static function reading(array $limit, array $changes = []): array
    {
        $document = SmallBundle::document();
        foreach ($changes as $path => $value) {
            $document = SmallBundle::change($document, $path, $value);
        }
        $document['platform']['limits'] = [['key' => 'it', 'name' => 'It', 'slot' => 'pipe', 'consequence' => 'it breaks', 'evidence' => ['kind' => 'judgement', 'note' => 'two cars'], ...$limit]];

        return EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem)['stages'][2]['limits'][0];
    }

    /** A quantity, safe and edge so low that it is passed, what else must be known, and what would be shed. */
    public static function passed(): iterable
    {
        $air = ['platform.air' => ['compressor_efficiency' => 0.7, 'cooler' => ['effectiveness' => 0.6, 'capacity_kj_k' => 5, 'ua_w_k' => 150]], 'platform.boost' => ['at_torque' => 1.3, 'at_power' => 1.2]];
        yield 'wheel torque' => [['quantity' => 'wheel-torque', 'safe' => 200, 'edge' => 210], [], '/^\d+ lb-ft less near [\d,]+ rpm brings it back to safe: (a softer ramp there|less torque up there)\.$/'];
        yield 'crank torque' => [['quantity' => 'crank-torque', 'safe' => 220, 'edge' => 230], [], '/^\d+ lb-ft at the crank less near/'];
        yield 'wheel power' => [['quantity' => 'wheel-power', 'safe' => 120, 'edge' => 130], [], '/^\d+ whp less brings it back to safe\.$/'];
        yield 'crank power' => [['quantity' => 'crank-power', 'safe' => 140, 'edge' => 150], [], '/^\d+ hp at the crank less brings it back to safe\.$/'];
        yield 'engine speed' => [['quantity' => 'engine-speed', 'safe' => 6200, 'edge' => 6300], [], '/^A limiter 300 rpm lower brings it back to safe\.$/'];
        yield 'boost' => [['quantity' => 'boost', 'safe' => 1.1, 'edge' => 1.2], $air, '/^0\.\d\d bar less boost brings it back to safe\.$/'];
        yield 'fuel flow' => [['quantity' => 'fuel-flow', 'safe' => 30, 'edge' => 32], [], '/^\d+ kg\/h less flow near [\d,]+ rpm brings it back to safe: less power there\.$/'];
        yield 'charge temperature' => [['quantity' => 'charge-temperature', 'safe' => 40, 'edge' => 45], $air, '/^\d+ °C less brings it back to safe: less boost, or shorter pulls\.$/'];
        yield 'exhaust temperature' => [['quantity' => 'exhaust-temperature', 'safe' => 700, 'edge' => 720], ['parts.0.gains.0.exhaust' => [760, 780, 800]], '/^\d+ °C less brings it back to safe/'];
    }

    #[DataProvider('passed')]
    public function test_a_passed_limit_says_how_much_less_would_do(array $limit, array $changes, string $words): void
    {
        $reading = self::reading($limit, $changes);
        self::assertContains($reading['status'], ['over', 'past-edge']);
        self::assertGreaterThan(100.0, $reading['used_percent']);
        self::assertGreaterThan($reading['safe'], $reading['demand']);
        $shed = array_values(array_filter($reading['movers'], fn (array $mover): bool => $mover['kind'] === 'shed'));
        self::assertCount(1, $shed);
        self::assertMatchesRegularExpression($words, $shed[0]['sentence']);
        self::assertStringContainsString('It, ', $reading['sentence']);
        self::assertStringEndsWith('judgement: two cars', $reading['evidence']);
    }

    #[DataProvider('passed')]
    public function test_a_far_limit_has_nothing_to_shed(array $limit, array $changes): void
    {
        $far = $limit['quantity'] === 'boost' ? 3.0 : 9000;
        $reading = self::reading([...$limit, 'safe' => $far, 'edge' => 1.1 * $far], $changes);
        self::assertSame('clear', $reading['status']);
        self::assertSame([], array_filter($reading['movers'], fn (array $mover): bool => $mover['kind'] === 'shed'));
        self::assertLessThan(100.0, $reading['used_percent']);
        self::assertEqualsWithDelta(110.0, $reading['edge_percent'], 0.1);
    }

    /** What was said to be shed, shed: a limit that much higher is just met. */
    public function test_shedding_what_is_said_stands_at_safe(): void
    {
        $reading = self::reading(['quantity' => 'wheel-power', 'safe' => 150, 'edge' => 400]);
        self::assertSame(1, preg_match('/^(\d+) whp less/', $reading['movers'][count($reading['movers']) - 1]['sentence'], $found));
        $more = (int) ($found[1] ?? 0) + 0.5;
        self::assertSame('close', self::reading(['quantity' => 'wheel-power', 'safe' => 150 + $more - 2, 'edge' => 400])['status']);
        self::assertSame('clear', self::reading(['quantity' => 'wheel-power', 'safe' => 150 + $more + 1, 'edge' => 400])['status']);
    }

    public function test_parts_that_bear_more_come_cheapest_first_with_their_price(): void
    {
        $own = fn (string $key, float $safe): array => ['limits' => [['key' => $key, 'name' => $key, 'slot' => 'pipe', 'quantity' => 'wheel-torque', 'safe' => $safe, 'edge' => $safe + 50, 'consequence' => 'it splits', 'evidence' => ['kind' => 'maker']]]];
        $document = SmallBundle::document();
        foreach ([['dear', 500, 400], ['cheap', 90, 300], ['weak', 10, 150]] as [$key, $price, $safe]) {
            $document['parts'][] = ['key' => $key, 'name' => ucfirst($key), 'maker' => 'Kolvane', 'slots' => ['pipe'], 'price' => ['new' => $price], 'effects' => $own($key, $safe)];
        }
        $reading = self::reading(['quantity' => 'wheel-torque', 'safe' => 200, 'edge' => 210], ['parts' => $document['parts']]);
        $parts = array_values(array_filter($reading['movers'], fn (array $mover): bool => $mover['kind'] === 'part'));
        self::assertSame(['cheap', 'dear'], array_column($parts, 'part'));
        self::assertEqualsWithDelta(116.64, $parts[0]['price'], 1e-9);
        self::assertSame('Cheap: safe to 300 lb-ft.', $parts[0]['sentence']);
    }
}
