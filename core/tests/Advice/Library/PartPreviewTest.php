<?php

namespace Pebblerun\Core\Tests\Advice\Library;

use Pebblerun\Core\Advice\Library\PartPreview;
use Pebblerun\Core\Advice\Library\PreviewBuild;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\TestCase;

/** On which builds a part is shown: as it is, with a map, with everything it asks for. */
final class PartPreviewTest extends TestCase
{
    /**
     * @param  list<array<string, mixed>>  $requires  of the cooler
     * @return array<string, list<string>> what stands in each build that is shown
     */
    private static function builds(string $part, array $requires = [['that' => ['part' => 'pipe'], 'reason' => 'the rubber pipe does not reach.']]): array
    {
        $document = SmallBundle::with('parts.3.requires', $requires);
        $document['plan']['stages'] = [['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => []]];
        $bundle = BundleReader::read($document)->bundle;
        $builds = [];
        foreach ((new PartPreview($bundle))->of($bundle->catalog->part($part)) as [$build, $fitted]) {
            $keys = array_map(fn (Part $one): string => $one->key, $fitted);
            sort($keys);
            $builds[$build->name] = $keys;
        }

        return $builds;
    }

    public function test_a_part_is_shown_on_each_build_that_differs(): void
    {
        self::assertSame([PreviewBuild::Stock->name => [], PreviewBuild::Mapped->name => ['map'], PreviewBuild::Prepared->name => ['map', 'pipe']], self::builds('cooler'));
        self::assertSame([PreviewBuild::Stock->name => [], PreviewBuild::Mapped->name => ['map']], self::builds('pipe'), 'it asks for nothing');
        self::assertSame([PreviewBuild::Stock->name => []], self::builds('map'), 'a map stands alone');
    }

    public function test_a_map_that_it_asks_for_is_there_once(): void
    {
        $needs = [['that' => ['part' => 'pipe'], 'reason' => 'it does not reach.'], ['that' => ['part' => 'map'], 'reason' => 'it runs lean.']];
        self::assertSame(['map', 'pipe'], self::builds('cooler', $needs)[PreviewBuild::Prepared->name]);
    }
}
