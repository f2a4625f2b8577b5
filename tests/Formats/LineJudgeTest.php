<?php

namespace Tests\Formats;

use Pebblerun\Formats\PriceList\LineJudge;
use Pebblerun\Formats\PriceList\LineOutcome;
use PHPUnit\Framework\TestCase;

/** What lines of a price list do to the library. */
final class LineJudgeTest extends TestCase
{
    public function test_a_line_is_refused_for_the_first_thing_that_is_wrong(): void
    {
        $judge = new LineJudge;
        self::assertSame('It has no price.', $judge->refusal(1, 'It has no price.', 'k', 'A1', '', LineJudge::SEVERAL_PARTS));
        self::assertSame(LineJudge::SEVERAL, $judge->refusal(2, '', null, 'A1', "kolvane\npipe", LineJudge::SEVERAL_PARTS));
        self::assertStringContainsString('no part with the key "k-9"', $judge->refusal(3, '', 'k-9', 'A1', "kolvane\npipe", null));
        self::assertStringContainsString('article "A1" is not known', $judge->refusal(4, '', null, 'A1', '', null));
        self::assertSame('', $judge->refusal(5, '', null, '', "kolvane\npipe", null), 'maker and name are enough for a new part');
        self::assertSame('', $judge->refusal(6, '', 'k-1', '', '', 17));
    }

    public function test_a_part_is_meant_once_by_the_first_sound_line(): void
    {
        $judge = new LineJudge;
        self::assertNotSame('', $judge->refusal(1, 'It has no price.', null, 'A1', '', 17), 'what is refused means nothing');
        self::assertSame('', $judge->refusal(2, '', null, 'A1', '', 17));
        self::assertStringContainsString('on line 2', $judge->refusal(9, '', null, 'A2', "kolvane\npipe", 17));
        self::assertSame('', $judge->refusal(10, '', null, '', "kolvane\npipe", null), 'a new part is another one');
        self::assertStringContainsString('on line 10', $judge->refusal(11, '', null, '', "kolvane\npipe", null));
        self::assertSame('', (new LineJudge)->refusal(3, '', null, 'A1', '', 17), 'another list means it anew');
    }

    public function test_a_line_adds_changes_or_leaves(): void
    {
        self::assertSame(LineOutcome::Added, LineJudge::outcome(null, 10.0, null, null, null));
        self::assertSame(LineOutcome::Changed, LineJudge::outcome(17, 10.5, null, 10.0, null));
        self::assertSame(LineOutcome::Unchanged, LineJudge::outcome(17, 10.5, null, 10.5, 4.0), 'no used price leaves the one that is');
        self::assertSame(LineOutcome::Changed, LineJudge::outcome(17, 10.5, 5.0, 10.5, 4.0));
        self::assertSame(LineOutcome::Unchanged, LineJudge::outcome(17, 10.5, 4.0, 10.5, 4.0));
        self::assertSame(LineOutcome::Changed, LineJudge::outcome(17, 10.5, null, null, null), 'a part without a price has one now');
    }
}
