<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Exchange\InvalidBundle;
use PHPUnit\Framework\TestCase;

/** A customer's sheet is brought to the shop's own frame, and never refused for it. */
final class SheetFrameTest extends TestCase
{
    /** @param  array<string, mixed>  $frame */
    private static function received(array $frame): StageResult
    {
        $document = SmallBundle::change(SmallBundle::document(), 'shop.dyno_factors', [['dyno' => 'hub', 'factor' => [0.92, 0.94, 0.96]]]);

        return SmallBundle::estimate($frame === [] ? $document : SmallBundle::change($document, 'brief.received.baseline.frame', $frame))->results[0];
    }

    public function test_a_sheet_from_the_crank_another_dyno_or_correction_is_brought_to_the_shops(): void
    {
        $own = self::received([])->likely->peakPower()->value;
        $of = fn (array $frame): float => self::received($frame)->likely->peakPower()->value / $own;
        self::assertEqualsWithDelta(0.86, $of(['at' => 'crank']), 1e-6, 'front, manual: 14 %');
        self::assertEqualsWithDelta(0.94, $of(['dyno' => 'hub']), 1e-6);
        // Worked values of the method at 30 °C, 97.0 kPa and 45 %: J1349 1.0588, J607 1.0919.
        self::assertEqualsWithDelta(1.0588 / 1.0919, $of(['correction' => 'J607', 'weather' => ['celsius' => 30, 'kpa' => 97, 'humidity_percent' => 45]]), 0.0001);
        self::assertEqualsWithDelta(1.0588, $of(['correction' => 'none', 'weather' => ['celsius' => 30, 'kpa' => 97, 'humidity_percent' => 45]]), 0.0001);
        self::assertSame(1.0, $of(['correction' => 'J1349']));
    }

    public function test_what_the_factor_leaves_open_widens_the_range(): void
    {
        $width = fn (StageResult $result): float => ($result->power->p90 - $result->power->p10) / $result->power->p50;
        // √(1.5² + (4/(2·1.2816·0.94))²) = 2.23 % against 1.5.
        self::assertEqualsWithDelta(2.23 / 1.5, $width(self::received(['dyno' => 'hub'])) / $width(self::received([])), 0.02);
    }

    public function test_a_dyno_without_a_factor_is_named(): void
    {
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage('moon');
        self::received(['dyno' => 'moon']);
    }
}
