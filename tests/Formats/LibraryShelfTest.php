<?php

namespace Tests\Formats;

use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Report\LibraryDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Units\UnitSystem;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** The shelf of each demo platform: every part once, in gas-path order, with words for all that it says. */
final class LibraryShelfTest extends TestCase
{
    private static function opened(string $job): OpenedBundle
    {
        return DocumentReader::standard()->open((new Folder(dirname(__DIR__, 2).'/demo', DocumentReader::standard()))->bundle($job));
    }

    /** @return array<string, array<string, mixed>> by part */
    private static function shelf(OpenedBundle $opened, string $today = '2026-11-26', string $power = 'hp'): array
    {
        $units = UnitSystem::parse(['power' => $power, 'torque' => 'lb-ft', 'pressure' => 'bar', 'temperature' => 'C']);
        $lanes = (new LibraryDocument($opened->bundle, UnitFormatter::for($opened->bundle, $units), $today))->lanes();

        return array_column(array_merge(...array_column(array_merge(...array_column($lanes, 'slots')), 'parts')), null, 'key');
    }

    /** @return iterable<string, array{string}> */
    public static function jobs(): iterable
    {
        foreach (['skarn-hill-commuter', 'up-the-hill', 'caravan-tourer', 'quiet-blower', 'paddock-minibike'] as $job) {
            yield $job => [$job];
        }
    }

    #[DataProvider('jobs')]
    public function test_every_part_lies_there_once_and_says_what_it_gives_and_rests_on(string $job): void
    {
        $opened = self::opened($job);
        $shelf = self::shelf($opened);
        self::assertEqualsCanonicalizing(array_keys($opened->bundle->catalog->parts->all()), array_keys($shelf));
        foreach ($opened->bundle->catalog->parts->all() as $key => $part) {
            self::assertCount(count($part->gains), $shelf[$key]['cases']);
            self::assertSame($part->gains === [] ? 'carries others' : $shelf[$key]['cases'][0]['power'], $shelf[$key]['gives']);
            self::assertCount(count($part->needs->requires), $shelf[$key]['needs']);
            foreach ($shelf[$key]['cases'] as $case) {
                self::assertMatchesRegularExpression('/^(in any build|with .+|on .+ % ethanol)(, at \d+ RON)?$/', $case['when']);
                self::assertMatchesRegularExpression('/^([+-]?[\d.,]+) whp(, [+-]?[\d.,]+ to [+-]?[\d.,]+)?$/', $case['power']);
                self::assertNotSame('', $case['rests']);
            }
        }
    }

    /** By the demo's data: 0 to 3, likely 1; on cars of 2023 and later 0 to 1, likely 0; € 42 to € 55, likely € 48, of 12 October 2026. */
    public function test_a_filter_by_hand(): void
    {
        $filter = self::shelf(self::opened('skarn-hill-commuter'))['fjellvent-panel'];
        self::assertSame('+1 whp, 0 to +3', $filter['gives']);
        self::assertSame("shop's dyno", $filter['rests']);
        self::assertSame(['with a car of 2023 or later', '0 whp, 0 to +1', 'later cars have the larger box from the factory'], [$filter['cases'][1]['when'], $filter['cases'][1]['power'], $filter['cases'][1]['note']]);
        self::assertSame(['€ 48', '€ 42 to € 55', '0.2 h', '45 days old', false], [$filter['price']['words'], $filter['price']['range'], $filter['price']['hours'], $filter['price']['age'], $filter['price']['old']]);
        $ages = array_map(fn (string $today): array => [self::shelf(self::opened('skarn-hill-commuter'), $today)['fjellvent-panel']['price']['age'], self::shelf(self::opened('skarn-hill-commuter'), $today)['fjellvent-panel']['price']['old']], ['2026-10-12', '2026-10-13', '2026-12-11', '2026-12-12']);
        self::assertSame([['of today', false], ['1 day old', false], ['60 days old', false], ['61 days old', true]], $ages);
    }

    public function test_it_speaks_the_readers_units(): void
    {
        $opened = self::opened('skarn-hill-commuter');
        // 32 hp are 23.9 kW.
        self::assertStringStartsWith('+32 whp', self::shelf($opened)['nullarc-shelf-a']['gives']);
        self::assertStringStartsWith('+24 wheel kW', self::shelf($opened, power: 'kW')['nullarc-shelf-a']['gives']);
    }
}
