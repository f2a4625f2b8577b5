<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\Candidate;
use Pebblerun\Core\Advice\Candidates;
use Pebblerun\Core\Advice\Offer;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\TestCase;

/** What may be proposed for this car, customer and plan, and what comes with it. */
final class OfferTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $part  what the pipe has besides
     * @param  array<string, mixed>  $brief
     */
    private static function admits(array $part, array $brief = []): bool
    {
        $document = SmallBundle::document();
        $document['parts'][2] = [...$document['parts'][2], ...$part];
        $document['brief'] = array_replace_recursive($document['brief'], $brief);
        $planned = PlannedStages::of(BundleReader::read($document)->bundle);

        return (new Offer($planned->bundle->brief, $planned->evaluator))->admits($planned->bundle->catalog->part('pipe'), $planned->states[0]->build->situation);
    }

    public function test_it_fits_the_car_is_offered_and_lawful(): void
    {
        self::assertTrue(self::admits([]));
        self::assertFalse(self::admits(['retired' => []]));
        self::assertFalse(self::admits(['law' => ['track_only' => true]]));
        self::assertTrue(self::admits(['law' => ['track_only' => true]], ['use' => 'track']));
        self::assertFalse(self::admits(['fits' => ['years' => ['from' => 2021]]]));
        self::assertTrue(self::admits(['fits' => ['years' => ['from' => 2020]]]));
        self::assertFalse(self::admits(['fits' => ['gearboxes' => ['automatic']]]));
        self::assertTrue(self::admits(['fits' => ['gearboxes' => ['automatic', 'manual']]]));
        self::assertTrue(self::admits(['requires' => [['that' => ['part' => 'cooler'], 'reason' => 'it hangs on it.']]]), 'what can be added is no matter of the car');
    }

    public function test_it_is_within_the_sound_that_the_customer_allows(): void
    {
        $sound = fn (string $level): array => ['sound' => ['level' => $level]];
        self::assertTrue(self::admits($sound('open')), 'nobody has asked yet');
        self::assertSame([true, false, false], array_map(fn (string $level): bool => self::admits($sound($level), ['noise' => 'as-stock']), ['as-stock', 'a-little', 'open']));
        self::assertSame([true, true, false], array_map(fn (string $level): bool => self::admits($sound($level), ['noise' => 'a-little']), ['as-stock', 'a-little', 'open']));
        self::assertTrue(self::admits($sound('open'), ['noise' => 'open']));
        self::assertFalse(self::admits($sound('a-little'), ['noise' => 'open', 'refuses' => ['louder']]));
        // One that is only called louder is a little louder.
        self::assertFalse(self::admits(['tags' => ['louder']], ['noise' => 'as-stock']));
        self::assertTrue(self::admits(['tags' => ['louder']], ['noise' => 'a-little']));
        self::assertFalse(self::admits(['cautions' => ['cutting']], ['refuses' => ['cutting']]));
        self::assertFalse(self::admits(['sound' => ['clutch' => 'heavier']], ['refuses' => ['harder-clutch']]));
        self::assertTrue(self::admits(['sound' => ['clutch' => 'as-stock']], ['refuses' => ['harder-clutch']]));
    }

    /** @return array<string, ?list<string>> what comes with each candidate of a slot, null where it is not offered */
    private static function with(string $slot, int $stage, callable $change): array
    {
        $document = $change(SmallBundle::document());
        $found = [];
        foreach ((new Candidates(PlannedStages::of(BundleReader::read($document)->bundle)))->parts($slot, $stage) as $candidate) {
            $found[$candidate->choice->key] = self::keys($candidate);
        }

        return $found;
    }

    /** @return ?list<string> */
    private static function keys(Candidate $candidate): ?array
    {
        return $candidate->with === null ? null : array_map(fn (Part $part): string => $part->key, $candidate->with);
    }

    public function test_a_candidate_comes_with_what_it_needs_or_is_not_offered(): void
    {
        $empty = function (array $document): array {
            $document['plan']['stages'][1]['changes'] = [];

            return $document;
        };
        // The cooler needs the pipe; the late one must be covered: the map once more.
        self::assertEquals(['cooler' => ['pipe'], 'late' => ['map']], self::with('cooler', 2, $empty));
        self::assertEquals(['cooler' => ['pipe'], 'late' => []], self::with('cooler', 1, $empty), 'the map of that stage covers it');
        $without = function (array $document) use ($empty): array {
            $document = $empty($document);
            $document['parts'][2]['retired'] = [];
            unset($document['parts'][4]);
            $document['parts'] = array_values($document['parts']);

            return $document;
        };
        self::assertNull(self::with('cooler', 2, $without)['cooler'], 'nothing that is offered meets its need');
        $unmapped = function (array $document) use ($empty): array {
            $document = $empty($document);
            $document['plan']['stages'][0]['changes'] = [['fit' => 'filter']];

            return $document;
        };
        // It gives more for the money, but nothing in the car covers it: what is offered comes first.
        self::assertSame(['cooler' => ['pipe'], 'late' => null], self::with('cooler', 2, $unmapped));
    }

    public function test_what_a_later_stage_needs_is_not_taken_away(): void
    {
        $later = function (array $document): array {
            $document['plan']['stages'] = [
                ['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'map'], ['fit' => 'pipe']]],
                ['key' => 's2', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'cooler']]],
            ];
            $document['parts'][] = [...$document['parts'][2], 'key' => 'other', 'name' => 'Other pipe'];

            return $document;
        };
        self::assertNull(self::with('pipe', 1, $later)['other'], 'the cooler of stage 2 needs the first');
        self::assertSame([], self::with('pipe', 1, $later)['pipe']);
    }

    public function test_a_fuel_is_offered_within_reach(): void
    {
        $document = SmallBundle::document();
        $document['brief']['fuels'] = ['pump'];
        $planned = PlannedStages::of(BundleReader::read($document)->bundle);
        $offer = new Offer($planned->bundle->brief, $planned->evaluator);
        self::assertSame([true, false], array_map($offer->admitsFuel(...), array_values($planned->bundle->catalog->fuels)));
        $asked = array_map(fn (Candidate $one): ?array => self::keys($one), (new Candidates($planned))->fuels(2));
        self::assertSame([[], null], $asked);
    }
}
