<?php

namespace Pebblerun\Core\Tests\Catalog;

use Pebblerun\Core\Catalog\Shop\UsualShop;
use Pebblerun\Core\Physics\Dyno\DynoKind;
use PHPUnit\Framework\TestCase;

final class UsualShopTest extends TestCase
{
    public function test_it_adds_what_a_shop_need_not_say_at_first(): void
    {
        $shop = UsualShop::with(['name' => 'Heron Works', 'tax_percent' => 19.0], DynoKind::Hub);
        self::assertSame(['name', 'tax_percent', 'reserve_percent', 'dyno', 'dyno_factors', 'fuels'], array_keys($shop));
        self::assertSame(['Heron Works', 19.0, 8, 'hub'], [$shop['name'], $shop['tax_percent'], $shop['reserve_percent'], $shop['dyno']]);
        self::assertSame(['load-roller', 'inertia-roller', 'engine'], array_column($shop['dyno_factors'], 'dyno'));
    }

    public function test_its_pump_fuels_are_those_of_the_demo_and_one_of_95(): void
    {
        $demo = array_column(json_decode((string) file_get_contents(dirname(__DIR__, 3).'/demo/shop.json'), true)['shop']['fuels'], null, 'key');
        $usual = array_column(UsualShop::with([], DynoKind::Hub)['fuels'], null, 'key');
        self::assertEquals(['pump-98' => $demo['pump-98'], 'diesel' => $demo['diesel']], array_diff_key($usual, ['pump-95' => true]));
        self::assertSame(95, $usual['pump-95']['octane']);
    }
}
