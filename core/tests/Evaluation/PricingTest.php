<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartPrice;
use Pebblerun\Core\Catalog\Parts\PartWork;
use Pebblerun\Core\Catalog\Shop\Rates;
use Pebblerun\Core\Evaluation\Money\Margin;
use Pebblerun\Core\Evaluation\Money\Pricing;
use Pebblerun\Core\Evaluation\Money\StageCost;
use Pebblerun\Core\Evaluation\Money\Tax;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\InvalidMoney;
use Pebblerun\Core\Units\MoneyRange;
use PHPUnit\Framework\TestCase;

final class PricingTest extends TestCase
{
    private static function part(string $key, string $slot, int $new, PartWork $work, ?int $used = null, ?MapTraits $map = null): Part
    {
        $price = new PartPrice(MoneyRange::exact($new), $used === null ? null : MoneyRange::exact($used), MoneyRange::exact(0), 0, null);

        return new Part($key, $key, 'Kolvane', [$slot], [], [], $map, [], true, new Effects, $price, $work);
    }

    /**
     * @param  list<Change>  ...$stages
     * @return list<StageCost>
     */
    private static function costs(Lyre $lyre, array ...$stages): array
    {
        $plan = new Plan(new Settings, array_map(
            fn (array $changes, int $i): Stage => new Stage("s{$i}", '', 'pump', $changes),
            array_values($stages),
            array_keys(array_values($stages)),
        ));
        $pricing = new Pricing(new Rates(8_500, 6_000, 2_000, 800), PriceBasis::New);
        $states = (new StageTimeline($lyre->catalog(), $lyre->car()))->states($plan, $lyre->brief()->received);

        return array_map(fn (StageState $state): StageCost => $pricing->of($state->bought), $states);
    }

    private static function lyre(): Lyre
    {
        $lyre = new Lyre;
        $lyre->parts['a'] = self::part('a', 'downpipe', 64_000, new PartWork(250, 100, 'exhaust'), 40_000);
        $lyre->parts['b'] = self::part('b', 'catback', 31_000, new PartWork(150, 100, 'exhaust'));

        return $lyre;
    }

    /**
     * By hand: the customer fits the downpipe in 2.5 h, not billed; the shop's cat-back takes its whole 1.5 h, 127.50, for what the
     * customer takes apart at home saves the shop nothing. 640 + 310 + 127.50 = 1,077.50; with tax 1,293.00, with the reserve 1,396.44.
     */
    public function test_the_customers_own_work_is_shown_in_hours_and_not_billed(): void
    {
        [, $stage] = self::costs(self::lyre(), [Change::fit('a', ownWork: true), Change::fit('b')]);
        self::assertSame([150, 250], [$stage->hours, $stage->ownHours]);
        self::assertSame([0, 12_750], [$stage->lines[0]->labour, $stage->lines[1]->labour]);
        self::assertSame([250, 150], [$stage->lines[0]->hours, $stage->lines[1]->hours]);
        self::assertSame(139_644, $stage->spend->likely);
    }

    /** Source: the method's worked values. */
    public function test_two_parts_that_share_their_access(): void
    {
        $cost = self::costs(self::lyre(), [Change::fit('a'), Change::fit('b')])[1];
        self::assertSame(25_500, array_sum(array_map(fn ($line): int => $line->labour, $cost->lines)));
        self::assertSame(120_500, $cost->net->likely);
        self::assertSame(24_100, $cost->tax->likely);
        self::assertSame(11_568, $cost->reserve->likely);
        self::assertSame(156_168, $cost->spend->likely);
    }

    public function test_in_two_stages_the_access_is_paid_twice(): void
    {
        $costs = self::costs(self::lyre(), [Change::fit('a')], [Change::fit('b')]);
        self::assertSame(400, $costs[1]->hours + $costs[2]->hours);
    }

    public function test_a_price_basis_and_an_agreed_price_are_per_line(): void
    {
        // By hand: 400.00 + 2.5 h · 85 = 612.50 net; tax 122.50; reserve 58.80.
        self::assertSame(79_380, self::costs(self::lyre(), [Change::fit('a', PriceBasis::Used)])[1]->spend->likely);
        self::assertSame(61_250 - 40_000 + 50_000, self::costs(self::lyre(), [Change::fit('a', PriceBasis::New, 50_000)])[1]->net->likely);
        self::assertSame(21_250, self::costs(self::lyre(), [Change::fit('a', PriceBasis::Owned)])[1]->net->likely);
        self::assertSame(128_000 + 21_250, self::costs(self::lyre(), [Change::fit('a', quantity: 2)])[1]->net->likely);
    }

    public function test_every_map_costs_again_with_its_dyno_time(): void
    {
        $lyre = self::lyre();
        $lyre->parts['map'] = self::part('map', 'map', 20_000, new PartWork(100), null, new MapTraits(MapKind::Dyno, [], 2.0));
        $costs = self::costs($lyre, [Change::fit('map')], [Change::fit('map')]);
        // By hand: 200.00 + 85.00 + 2 h · 60.00 = 405.00 each time.
        self::assertSame([40_500, 40_500], [$costs[1]->net->likely, $costs[2]->net->likely]);
    }

    public function test_shares_round_half_up_in_integers(): void
    {
        self::assertSame(3, MoneyRange::round(5, 1, 2));
        self::assertSame(2, MoneyRange::round(7, 1, 3));
        self::assertSame(PHP_INT_MAX >> 16, MoneyRange::round(PHP_INT_MAX >> 16, 10_000, 10_000));
    }

    public function test_a_negative_price_is_refused(): void
    {
        $this->expectException(InvalidMoney::class);
        $this->expectExceptionMessage('a price of -400 minor units is negative: give 0 or more.');
        MoneyRange::exact(-400);
    }

    public function test_tax_comes_off_a_price_that_has_it_in(): void
    {
        self::assertSame(100.0, Tax::off(120.0, 20.0));
        self::assertSame(100.0, Tax::off(100.0, 0.0));
    }

    public function test_a_margin_is_a_share_of_what_a_part_costs_the_shop(): void
    {
        self::assertEqualsWithDelta(100.0, Margin::on(80.0, 25.0), 1e-9);
        self::assertSame(80.0, Margin::on(80.0, 0.0));
    }
}
