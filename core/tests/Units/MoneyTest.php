<?php

namespace Pebblerun\Core\Tests\Units;

use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\InvalidMoney;
use Pebblerun\Core\Units\MoneyRange;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Money in integer minor units, of currencies with none, two and three decimals. */
final class MoneyTest extends TestCase
{
    /** By hand. */
    public function test_sums_products_and_shares_go_figure_by_figure(): void
    {
        $money = MoneyRange::of(100, 150, 210);
        self::assertEquals(MoneyRange::of(101, 152, 213), $money->plus(MoneyRange::of(1, 2, 3)));
        self::assertEquals(MoneyRange::of(300, 450, 630), $money->times(3));
        // 19 %: 19, 28.5 and 39.9, half up.
        self::assertEquals(MoneyRange::of(19, 29, 40), $money->share(1900, 10_000));
        self::assertSame(0, MoneyRange::round(0, 1900, 10_000));
    }

    public function test_negative_or_out_of_order_is_refused(): void
    {
        foreach ([[-1, 0, 0], [2, 1, 3], [1, 3, 2]] as $figures) {
            try {
                MoneyRange::of(...$figures);
                self::fail(implode(' / ', $figures).' was taken');
            } catch (InvalidMoney $fault) {
                self::assertStringContainsString((string) $figures[0], $fault->getMessage());
            }
        }
        self::assertSame(0, MoneyRange::exact(0)->likely);
    }

    /** Source: ISO 4217, table A.1. */
    public static function currencies(): iterable
    {
        yield 'yen have no part' => ['JPY', 12_346.0, 12_346, 0];
        yield 'euros have cents' => ['EUR', 12.346, 1_235, 2];
        yield 'dinars have thousandths' => ['KWD', 12.3456, 12_346, 3];
    }

    #[DataProvider('currencies')]
    public function test_an_amount_becomes_minor_units_and_comes_back(string $code, float $amount, int $minor, int $decimals): void
    {
        $currency = Currency::of($code);
        self::assertSame($decimals, $currency->decimals);
        self::assertSame($minor, $currency->minor($amount));
        self::assertEqualsWithDelta($amount, $currency->major($minor), 0.5 / 10 ** $decimals);
    }

    /** The same shop in another currency: prices are what was written, whatever its minor unit. */
    #[DataProvider('currencies')]
    public function test_a_plan_costs_the_same_figure_in_every_currency(string $code): void
    {
        $money = fn (string $code): mixed => EstimateDocument::of(SmallBundle::estimate(SmallBundle::with('shop.currency', $code)), new UnitSystem)['stages'][1]['money']['spend'];
        self::assertEqualsWithDelta($money('EUR'), $money($code), 1.0);
    }
}
