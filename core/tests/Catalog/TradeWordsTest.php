<?php

namespace Pebblerun\Core\Tests\Catalog;

use Pebblerun\Core\Catalog\TradeWords;
use PHPUnit\Framework\TestCase;

final class TradeWordsTest extends TestCase
{
    public function test_a_word_stands_for_others_of_its_thing(): void
    {
        self::assertSame(['map', 'remap', 'calibration'], TradeWords::beside('tune'));
        self::assertSame(['map', 'remap', 'calibration'], TradeWords::beside('tun'));
        self::assertSame(['stage'], TradeWords::beside('level'), 'a word of several stands for all of them');
        self::assertContains('downpipe', TradeWords::beside('front'));
        self::assertSame([], TradeWords::beside('tu'), 'two letters are letters');
        self::assertSame([], TradeWords::beside('nothing'));
    }

    public function test_each_word_stands_in_one_group(): void
    {
        $words = array_merge(...TradeWords::groups());
        self::assertSame($words, array_unique($words));
        self::assertSame($words, array_map(mb_strtolower(...), $words));
    }
}
