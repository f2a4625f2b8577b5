<?php

namespace Pebblerun\Core\Tests\Catalog;

use Pebblerun\Core\Catalog\Shop\UsualDynoFactors;
use Pebblerun\Core\Physics\Dyno\DynoKind;
use PHPUnit\Framework\TestCase;

final class UsualDynoFactorsTest extends TestCase
{
    public function test_a_load_rollers_are_the_demos(): void
    {
        $demo = json_decode((string) file_get_contents(dirname(__DIR__, 3).'/demo/shop.json'), true)['shop']['dyno_factors'];
        self::assertEquals($demo, UsualDynoFactors::of(DynoKind::LoadRoller));
    }

    /** By hand: 0.92/0.92, 0.95/0.89, 0.98/0.85 from a hub to an inertia roller. */
    public function test_another_dynos_are_parts_of_them(): void
    {
        $of = array_column(UsualDynoFactors::of(DynoKind::InertiaRoller), 'factor', 'dyno');
        self::assertSame(['load-roller', 'hub', 'engine'], array_keys($of));
        self::assertSame([1.0, 1.067, 1.153], $of['hub']);
        foreach (DynoKind::cases() as $own) {
            foreach (UsualDynoFactors::of($own) as ['factor' => [$low, $likely, $high]]) {
                self::assertTrue($low <= $likely && $likely <= $high && $low > 0.8 && $high < 1.3);
            }
        }
    }
}
