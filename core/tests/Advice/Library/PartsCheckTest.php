<?php

namespace Pebblerun\Core\Tests\Advice\Library;

use Pebblerun\Core\Advice\Library\LibraryDoubt;
use Pebblerun\Core\Advice\Library\PartsCheck;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is hard to believe of one part, and what is just on the right side of it. */
final class PartsCheckTest extends TestCase
{
    /**
     * @param  array<string, mixed>  $pipe  what the pipe has otherwise
     * @return list<string>
     */
    private static function doubts(array $pipe): array
    {
        $document = SmallBundle::document();
        $document['parts'][2] = array_replace($document['parts'][2], $pipe);
        $catalog = BundleReader::read($document)->bundle->catalog;

        return array_map(fn (LibraryDoubt $doubt): string => "{$doubt->code->value} {$doubt->path}", (new PartsCheck($catalog))->of($catalog->part('pipe')));
    }

    /**
     * @param  list<int>|int  $power
     * @param  list<int>|int  $torque
     * @param  array<string, mixed>  $more
     * @return array{gains: list<array<string, mixed>>}
     */
    private static function gain(array|int $power, array|int $torque, array $more = []): array
    {
        return ['gains' => [['power' => $power, 'torque' => $torque, 'evidence' => ['kind' => 'maker', 'note' => 'sheet'], ...$more]]];
    }

    /** @return iterable<string, array{array<string, mixed>, list<string>}> */
    public static function parts(): iterable
    {
        yield 'as it is' => [[], []];
        yield 'free' => [['price' => ['new' => 0, 'hours' => 1]], ['no-price price.new']];
        yield 'a cent' => [['price' => ['new' => 0.01, 'hours' => 1]], []];
        yield 'eighty hours' => [['price' => ['new' => 100, 'hours' => 80]], []];
        yield 'more than eighty hours' => [['price' => ['new' => 100, 'hours' => 80.5]], ['many-hours price.hours']];
        yield 'no spread' => [self::gain(3, [1, 2, 3]), ['no-spread gains[0].power']];
        yield 'a spread to one side' => [self::gain([3, 3, 4], [1, 2, 3]), []];
        yield 'nothing' => [self::gain(0, 0), ['gives-nothing gains[0]']];
        yield 'nothing but at its best' => [self::gain([0, 0, 2], 0), []];
        // 5 % of 157 whp are 7.9: more of it with less torque moves the peaks.
        yield 'much power for torque' => [self::gain([8, 12, 15], [-9, -5, 0]), ['torque-against-power gains[0].torque']];
        yield 'little power for torque' => [self::gain([2, 4, 6], [-9, -5, 0]), []];
        yield 'much power, torque at its best' => [self::gain([8, 12, 15], [-9, -5, 1]), []];
        yield 'a claim above its family, 10 % of 157 whp' => [self::gain([10, 14, 30], [8, 10, 12]), ['above-family gains[0]']];
        yield 'peaks are said' => [self::gain([8, 12, 15], [-9, -5, 0], ['peaks' => ['power_rpm' => 6000]]), []];
        yield 'by hand without a word' => [self::gain([1, 2, 4], [1, 2, 4], ['evidence' => ['kind' => 'maker', 'set' => 'hand']]), ['no-reason gains[0].evidence.note']];
        yield 'by hand with a word' => [self::gain([1, 2, 4], [1, 2, 4], ['evidence' => ['kind' => 'maker', 'set' => 'hand', 'note' => 'two cars']]), []];
        yield 'the same name' => [['name' => 'FILTER'], ['same-name name']];
    }

    /**
     * @param  array<string, mixed>  $pipe
     * @param  list<string>  $doubts
     */
    #[DataProvider('parts')]
    public function test_a_part_is_doubted_for_what_it_says(array $pipe, array $doubts): void
    {
        self::assertSame($doubts, self::doubts($pipe));
    }

    public function test_the_same_figures_at_the_same_price_in_the_same_slot_by_the_same_maker_are_a_twin(): void
    {
        $filter = SmallBundle::document()['parts'][1];
        $twin = ['slots' => $filter['slots'], 'gains' => $filter['gains'], 'price' => $filter['price'], 'maker' => $filter['maker']];
        self::assertSame(['same-figures gains'], self::doubts($twin));
        self::assertSame([], self::doubts([...$twin, 'maker' => 'Brimstall']));
        self::assertSame([], self::doubts([...$twin, 'price' => ['new' => 101, 'hours' => 1]]));
        self::assertSame([], self::doubts([...$twin, ...self::gain([1, 3, 6], [1, 2, 4])]));
        self::assertSame([], self::doubts([...$twin, 'slots' => ['pipe']]));
    }
}
