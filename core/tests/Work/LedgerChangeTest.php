<?php

namespace Pebblerun\Core\Tests\Work;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Work\LedgerChange;
use Pebblerun\Core\Work\LedgerEntry;
use PHPUnit\Framework\TestCase;

/** What a stage that is done changes on the car. */
final class LedgerChangeTest extends TestCase
{
    /**
     * @param  list<list<array<string, mixed>>>  $stages  changes of each
     * @param  list<string>  $received
     * @return list<array{list<string>, list<string>}> what left and what came, stage by stage
     */
    private static function changes(array $stages, array $received = []): array
    {
        $document = SmallBundle::with('brief.received.parts', $received);
        $document['plan']['stages'] = array_map(fn (array $changes, int $i): array => ['key' => "s{$i}", 'name' => '', 'fuel' => 'pump', 'changes' => $changes], $stages, array_keys($stages));
        $states = PlannedStages::of(BundleReader::read($document)->bundle)->states;
        $changes = [];
        foreach (array_slice($states, 1) as $i => $state) {
            $change = LedgerChange::of($states[$i], $state, PriceBasis::New);
            $changes[] = [array_map(fn (Part $part): string => $part->key, $change->off), array_map(fn (LedgerEntry $one): string => $one->part->key, $change->on)];
        }

        return $changes;
    }

    public function test_parts_come_and_leave(): void
    {
        self::assertSame([[[], ['map', 'filter']], [['filter'], ['cooler']]], self::changes([[['fit' => 'map'], ['fit' => 'filter']], [['remove' => 'filter'], ['fit' => 'cooler']]]));
        self::assertSame([[['late'], ['cooler']]], self::changes([[['fit' => 'cooler']]], ['late']));
    }

    public function test_a_map_that_is_written_once_more_is_another(): void
    {
        self::assertSame([[[], ['map']], [['map'], ['map', 'pipe']]], self::changes([[['fit' => 'map']], [['fit' => 'pipe'], ['fit' => 'map']]]));
    }

    public function test_a_kit_leaves_behind_what_is_not_replaced(): void
    {
        self::assertSame([[[], ['kit']], [['kit'], ['filter']]], self::changes([[['fit' => 'kit']], [['remove' => 'pipe']]]));
    }

    public function test_it_knows_what_was_second_hand_and_who_fitted_it(): void
    {
        $document = SmallBundle::document();
        $document['brief']['received']['parts'] = ['pipe'];
        $document['plan']['stages'] = [['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => [
            ['fit' => 'map'], ['fit' => 'filter', 'basis' => 'used', 'own_work' => true], ['fit' => 'cooler', 'basis' => 'owned'],
        ]]];
        $states = PlannedStages::of(BundleReader::read($document)->bundle)->states;
        $told = fn (PriceBasis $basis): array => array_map(fn (LedgerEntry $one): array => [$one->part->key, $one->used, $one->ownWork], LedgerChange::of($states[0], $states[1], $basis)->on);
        self::assertSame([['map', false, false], ['filter', true, true], ['cooler', null, false]], $told(PriceBasis::New));
        self::assertSame([['map', true, false], ['filter', true, true], ['cooler', null, false]], $told(PriceBasis::Used));
        self::assertEquals([['pipe', null, false]], array_map(fn (LedgerEntry $one): array => [$one->part->key, $one->used, $one->ownWork], LedgerChange::received($states[0])));
    }
}
