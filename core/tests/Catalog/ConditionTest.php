<?php

namespace Pebblerun\Core\Tests\Catalog;

use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Exchange\ConditionReader;
use Pebblerun\Core\Exchange\DocumentNode;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Report\Words\ConditionWords;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ConditionTest extends TestCase
{
    private static function situation(string ...$fitted): Situation
    {
        $lyre = new Lyre;
        $parts = [];
        foreach ($fitted as $key) {
            $parts[$lyre->parts[$key]->slots[0]] = $lyre->parts[$key];
        }

        return new Situation($lyre->car(), $parts, $lyre->fuels['pump']);
    }

    /** With map and downpipe fitted, on pump fuel of 98 octane and 5 % ethanol, a manual front-drive road car of 2021. */
    public static function terms(): iterable
    {
        yield 'a part' => [['part' => 'downpipe'], true, 1];
        yield 'another part' => [['part' => 'cooler'], false, 1];
        yield 'a stock slot' => [['slot' => 'cooler', 'is' => 'stock'], true, 1];
        yield 'an upgraded slot' => [['slot' => 'cooler', 'is' => 'upgraded'], false, 1];
        yield 'more octane than there is' => [['octane' => ['at_least' => 98.1]], false, 1];
        yield 'less octane than there is' => [['octane' => ['at_least' => 95]], true, 1];
        yield 'less ethanol than there is' => [['ethanol' => ['at_least' => 4]], true, 1];
        yield 'years that end before' => [['year' => ['to' => 2020]], false, 1];
        yield 'years that begin after' => [['year' => ['from' => 2022]], false, 1];
        yield 'none of two, of which one holds' => [['none' => [['part' => 'cooler'], ['part' => 'downpipe']]], false, 2];
        yield 'all, of which one fails' => [['all' => [['map' => 'dyno'], ['part' => 'cooler']]], false, 2];
        yield 'any of two that fail' => [['any' => [['part' => 'cooler'], ['use' => 'track']]], false, 1];
        yield 'octane' => [['octane' => ['at_least' => 98]], true, 1];
        yield 'ethanol' => [['ethanol' => ['at_least' => 30]], false, 1];
        yield 'a kind of map' => [['map' => 'dyno'], true, 1];
        yield 'kinds of map' => [['map' => ['remote', 'off-the-shelf']], false, 1];
        yield 'years' => [['year' => ['from' => 2020, 'to' => 2022]], true, 1];
        yield 'gearbox' => [['gearbox' => 'automatic'], false, 1];
        yield 'use' => [['use' => 'road'], true, 1];
        yield 'aspiration' => [['aspiration' => 'turbo'], true, 1];
        yield 'drive' => [['drive' => 'rear'], false, 1];
        yield 'all' => [['all' => [['map' => 'dyno'], ['part' => 'downpipe']]], true, 2];
        yield 'any counts its least specific way' => [['any' => [['part' => 'cooler'], ['all' => [['map' => 'dyno'], ['use' => 'road']]]]], true, 1];
        yield 'none' => [['none' => [['part' => 'cooler'], ['part' => 'intake']]], true, 2];
        yield 'none of one that holds' => [['none' => [['part' => 'downpipe']]], false, 1];
    }

    #[DataProvider('terms')]
    public function test_a_condition_holds_and_counts_its_terms(array $document, bool $holds, int $terms): void
    {
        $condition = ConditionReader::read(new DocumentNode($document, 'when'));
        self::assertSame($holds, $condition->holds(self::situation('map', 'downpipe')));
        self::assertSame($terms, $condition->terms());
    }

    public function test_what_is_unmet_is_asked_for_in_words_and_what_is_met_is_not(): void
    {
        $condition = ConditionReader::read(new DocumentNode(['all' => [['map' => ['remote', 'dyno']], ['slot' => 'cooler', 'is' => 'upgraded'], ['ethanol' => ['at_least' => 30]]]], 'that'));
        $words = new ConditionWords((new Lyre)->catalog());
        self::assertSame('upgraded cooler and a fuel with at least 30 % ethanol', $words->of($condition, self::situation('map')));
        self::assertSame('a remote map or a dyno map, upgraded cooler and a fuel with at least 30 % ethanol', $words->of($condition, self::situation()));
    }

    public function test_an_unknown_word_is_refused_with_the_known_ones(): void
    {
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage('when: is no condition: use all, any, none');
        ConditionReader::read(new DocumentNode(['moon' => 'full'], 'when'));
    }
}
