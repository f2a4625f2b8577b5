<?php

namespace Pebblerun\Core\Tests\Report;

use Pebblerun\Core\Advice\Comparison;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Report\ComparisonDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** Two plans of one car beside each other. */
final class ComparisonTest extends TestCase
{
    /**
     * @param  list<list<string>>  $here  parts by stage
     * @param  list<list<string>>  $there
     * @return array{figures: array<string, array<string, string>>, parts: array<string, array<string, string>>}
     */
    private static function compare(array $here, array $there, string $fuel = 'pump'): array
    {
        $estimate = fn (array $stages, string $fuel): Estimate => SmallBundle::estimate(SmallBundle::with('plan.stages', array_map(
            fn (array $parts, int $i): array => ['key' => "s{$i}", 'name' => '', 'fuel' => $fuel, 'changes' => array_map(fn (string $part): array => ['fit' => $part], $parts)],
            $stages,
            array_keys($stages),
        )));
        $compared = ComparisonDocument::of(new Comparison($estimate($here, 'pump'), $estimate($there, $fuel)), new UnitFormatter(new UnitSystem, Currency::of('EUR')));

        return ['figures' => array_column($compared['figures'], null, 'name'), 'parts' => array_column($compared['parts'], null, 'slot')];
    }

    public function test_more_power_is_better_and_less_money_is(): void
    {
        $figures = self::compare([['map', 'filter', 'pipe', 'cooler']], [['map']])['figures'];
        self::assertSame('here', $figures['Wheel power, median']['better']);
        self::assertSame('here', $figures['Torque over the rpm range in use']['better']);
        self::assertSame('there', $figures['Total']['better']);
        self::assertSame('there', $figures['Hours']['better']);
        self::assertSame('there', $figures['Weakest link']['better'], 'less torque spares the rods');
        self::assertMatchesRegularExpression('/^Rods \d+(–\d+)? %, (clear|close to safe)$/', $figures['Weakest link']['there']);
    }

    public function test_turned_about_it_says_the_same(): void
    {
        $one = self::compare([['map'], ['cooler']], [['map', 'filter']])['figures'];
        $other = self::compare([['map', 'filter']], [['map'], ['cooler']])['figures'];
        $turned = ['here' => 'there', 'there' => 'here', 'neither' => 'neither'];
        foreach ($one as $name => $line) {
            self::assertSame($line['here'], $other[$name]['there'], $name);
            self::assertSame($turned[$line['better']], $other[$name]['better'], $name);
        }
        self::assertSame('neither', $one['Stages']['better'], 'neither many nor few stages are better');
    }

    public function test_the_same_plan_differs_in_nothing(): void
    {
        $same = self::compare([['map', 'filter'], ['cooler']], [['map', 'filter'], ['cooler']]);
        self::assertSame([], $same['parts']);
        self::assertSame(['neither'], array_values(array_unique(array_column($same['figures'], 'better'))));
    }

    public function test_parts_are_named_with_the_stage_they_come_in(): void
    {
        $parts = self::compare([['map'], ['kit']], [['map', 'filter']], 'strong')['parts'];
        self::assertSame(['here' => 'Kit, stage 2', 'there' => 'Filter, stage 1'], array_intersect_key($parts['Filter'], ['here' => 1, 'there' => 1]));
        self::assertSame('stock', $parts['Pipe']['there']);
        self::assertSame(['here' => 'Pump 98', 'there' => 'Strong blend'], array_intersect_key($parts['Fuel'], ['here' => 1, 'there' => 1]));
        self::assertArrayNotHasKey('Map', $parts);
    }
}
