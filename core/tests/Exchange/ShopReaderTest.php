<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Exchange\DocumentNode;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Exchange\ShopReader;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use PHPUnit\Framework\TestCase;

/** What a shop says of itself: octane as its pumps show it, and what its own dyno loses. */
final class ShopReaderTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function node(array $more): DocumentNode
    {
        return new DocumentNode([...SmallBundle::document()['shop'], ...$more]);
    }

    public function test_aki_and_ron_are_told_apart(): void
    {
        $octane = fn (mixed $stated): float => ShopReader::read(self::node(['fuels' => [['key' => 'p', 'name' => 'Pump', 'octane' => $stated]]]), FuelKind::Petrol)->fuels['p']->octane;
        self::assertSame(98.0, $octane(98));
        // 93 on a pump that shows the mean of RON and MON is about 98 RON, 87 about 91.
        self::assertEqualsWithDelta(97.65, $octane(['aki' => 93]), 1e-9);
        self::assertEqualsWithDelta(91.35, $octane(['aki' => 87]), 1e-9);
    }

    public function test_what_the_shop_found_its_dyno_to_lose_goes_before_the_usual(): void
    {
        // Load roller, usual: front 17 %. An automatic loses 3 % more.
        $usual = ShopReader::loss(self::node(['dyno' => 'load-roller']));
        self::assertEqualsWithDelta([0.17, 0.20, 0.22], [$usual->share(Drive::Front, Gearbox::Manual), $usual->share(Drive::Front, Gearbox::Automatic), $usual->share(Drive::All, Gearbox::Manual)], 1e-9);
        $own = ShopReader::loss(self::node(['dyno' => 'load-roller', 'loss_percent' => ['front' => 15]]));
        self::assertEqualsWithDelta([0.15, 0.18, 0.22], [$own->share(Drive::Front, Gearbox::Manual), $own->share(Drive::Front, Gearbox::Automatic), $own->share(Drive::All, Gearbox::Manual)], 1e-9);
    }

    public function test_an_unknown_dyno_is_refused(): void
    {
        $this->expectException(InvalidBundle::class);
        ShopReader::loss(self::node(['dyno' => 'moon']));
    }
}
