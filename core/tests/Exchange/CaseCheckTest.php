<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\CatalogCheck;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Two gain cases that could apply equally are found when a catalog is read, not when somebody fits the part. */
final class CaseCheckTest extends TestCase
{
    /** @return array<string, mixed> */
    private static function gain(?array $when, ?int $atEthanol = null): array
    {
        return array_filter(['when' => $when, 'at_ethanol' => $atEthanol, 'power' => [1, 2, 3], 'torque' => [1, 2, 3], 'evidence' => ['kind' => 'maker']], fn (mixed $value): bool => $value !== null);
    }

    /** @return list<string> the faults of a filter with these cases */
    private static function faults(array ...$gains): array
    {
        return array_map(
            fn (\Throwable $fault): string => $fault->getMessage(),
            CatalogCheck::faults(BundleReader::read(SmallBundle::with('parts.1.gains', $gains))->bundle->catalog),
        );
    }

    public static function ambiguous(): iterable
    {
        $end = ': make one of them more specific, so that one alone has the most terms.';
        yield 'the same condition' => [[self::gain(['map' => 'dyno']), self::gain(['map' => 'dyno'])], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98 with "Map"'.$end];
        yield 'no condition at all' => [[self::gain(null), self::gain(null)], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98'.$end];
        yield 'two parts that go together' => [[self::gain(['part' => 'pipe']), self::gain(['slot' => 'cooler', 'is' => 'upgraded'])], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98 with "Pipe" and "Cooler"'.$end];
        yield 'a slot left stock and a fuel' => [[self::gain(['slot' => 'pipe', 'is' => 'stock']), self::gain(['ethanol' => ['at_least' => 30]])], 'parts[1].gains[1]: it and gains[0] apply equally on Strong blend'.$end];
        yield 'octane and ethanol' => [[self::gain(['octane' => ['at_least' => 98]]), self::gain(['ethanol' => ['at_least' => 30]])], 'parts[1].gains[1]: it and gains[0] apply equally on Strong blend'.$end];
        yield 'years that overlap' => [[self::gain(['year' => ['to' => 2015]]), self::gain(['year' => ['from' => 2015]])], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98, for a 2015 car, manual, road use'.$end];
        yield 'a gearbox and a use' => [[self::gain(['gearbox' => 'automatic']), self::gain(['use' => 'track'])], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98, for a 2010 car, automatic, track use'.$end];
        yield 'the same ethanol content' => [[self::gain(null, 10), self::gain(null, 10)], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98'.$end];
        yield 'a ladder and a condition' => [[self::gain(null, 50), self::gain(['slot' => 'pipe', 'is' => 'upgraded'])], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98 with "Pipe"'.$end];
        yield 'a more specific case settles only half' => [[self::gain(['map' => 'dyno']), self::gain(['part' => 'pipe']), self::gain(['all' => [['map' => 'dyno'], ['part' => 'pipe'], ['part' => 'cooler']]])], 'parts[1].gains[1]: it and gains[0] apply equally on Pump 98 with "Map" and "Pipe"'.$end];
    }

    #[DataProvider('ambiguous')]
    public function test_a_pair_that_can_meet_is_a_fault(array $gains, string $words): void
    {
        self::assertSame([$words], self::faults(...$gains));
    }

    public static function clear(): iterable
    {
        yield 'stock and upgraded' => [[self::gain(['slot' => 'pipe', 'is' => 'stock']), self::gain(['slot' => 'pipe', 'is' => 'upgraded'])]];
        yield 'two parts of one slot' => [[self::gain(['part' => 'cooler']), self::gain(['part' => 'late'])]];
        yield 'two kinds of map' => [[self::gain(['map' => 'dyno']), self::gain(['map' => ['remote', 'off-the-shelf']])]];
        yield 'years one after the other' => [[self::gain(['year' => ['to' => 2015]]), self::gain(['year' => ['from' => 2016]])]];
        yield 'years that no car of the platform has' => [[self::gain(['year' => ['to' => 2015]]), self::gain(['year' => ['to' => 2009]])]];
        yield 'steps of one ladder' => [[self::gain(null, 10), self::gain(null, 50), self::gain(null, 85)]];
        yield 'an ethanol content the shop does not sell' => [[self::gain(['ethanol' => ['at_least' => 90]]), self::gain(['part' => 'pipe'])]];
        yield 'another engine' => [[self::gain(['aspiration' => 'natural']), self::gain(['part' => 'pipe'])]];
        yield 'a more specific case where both hold' => [[self::gain(['map' => 'dyno']), self::gain(['part' => 'pipe']), self::gain(['all' => [['map' => 'dyno'], ['part' => 'pipe']]])]];
        yield 'one term and two' => [[self::gain(['map' => 'dyno']), self::gain(['all' => [['map' => 'dyno'], ['part' => 'pipe']]])]];
    }

    #[DataProvider('clear')]
    public function test_a_pair_that_never_meets_or_is_settled_is_taken(array $gains): void
    {
        self::assertSame([], self::faults(...$gains));
    }

    /** Broken up, a kit's parts give their own gains while the kit stands in the slots. */
    public function test_a_part_inside_a_kit_is_looked_at_as_well(): void
    {
        self::assertSame(
            ['parts[1].gains[1]: it and gains[0] apply equally on Pump 98 with "Kit": make one of them more specific, so that one alone has the most terms.'],
            self::faults(self::gain(['part' => 'kit']), self::gain(['part' => 'filter']), self::gain(['all' => [['part' => 'filter'], ['slot' => 'pipe', 'is' => 'stock']]])),
        );
    }

    public function test_conditions_too_many_to_try_are_refused_and_not_waited_for(): void
    {
        $document = SmallBundle::document();
        foreach (range(0, 14) as $i) {
            $document['platform']['slots'][] = ['key' => "more-{$i}", 'name' => "More {$i}", 'lane' => 'air', 'family' => 'air', 'stock' => 'none'];
            $document['parts'][] = ['key' => "more-{$i}", 'name' => "More {$i}", 'maker' => 'Kolvane', 'slots' => ["more-{$i}"], 'price' => ['new' => 1]];
        }
        $half = fn (bool $even): array => ['any' => array_map(fn (int $i): array => ['all' => [['part' => "more-{$i}"], ['slot' => "more-{$i}", 'is' => 'stock']]], array_values(array_filter(range(0, 14), fn (int $i): bool => ($i % 2 === 0) === $even)))];
        $document['parts'][1]['gains'] = [self::gain($half(true)), self::gain($half(false))];
        $faults = CatalogCheck::faults(BundleReader::read($document)->bundle->catalog);
        self::assertCount(1, $faults);
        self::assertStringStartsWith('parts[1].gains[1]: whether it and gains[0] can apply at the same time takes more than 20000 situations to tell', $faults[0]->getMessage());
    }
}
