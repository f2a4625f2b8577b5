<?php

namespace Pebblerun\Core\Tests\Exchange;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\CatalogCheck;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class BundleReaderTest extends TestCase
{
    /** @return array<string, mixed> the estimate document in hp and lb-ft */
    private static function estimate(array $document): array
    {
        return EstimateDocument::of(SmallBundle::estimate($document), new UnitSystem);
    }

    public function test_the_same_car_in_kilowatts_and_newton_metres_gives_the_same_estimate(): void
    {
        $convert = function (mixed $value, string $key) use (&$convert): mixed {
            $factor = match ($key) {
                'power' => 0.745699872,
                'torque', 'safe', 'edge' => 1.3558179483,
                'value' => 0.745699872,
                default => null,
            };
            $scaled = fn (mixed $figure): mixed => is_int($figure) || is_float($figure) ? $figure * $factor : $figure;
            if ($factor !== null) {
                return is_array($value) && array_is_list($value) ? array_map($scaled, $value) : $scaled($value);
            }

            return is_array($value) ? array_combine(array_keys($value), array_map(fn (mixed $one, int|string $name): mixed => $convert($one, (string) $name), $value, array_keys($value))) : $value;
        };
        $document = SmallBundle::document();
        $metric = $convert($document, '');
        $metric['units'] = ['power' => 'kW', 'torque' => 'Nm'];
        $here = self::estimate($document);
        $there = self::estimate($metric);
        foreach ([0, 1, 2] as $stage) {
            self::assertEqualsWithDelta($here['stages'][$stage]['power'], $there['stages'][$stage]['power'], 0.051);
            self::assertEqualsWithDelta($here['stages'][$stage]['limits'][0]['used_percent'], $there['stages'][$stage]['limits'][0]['used_percent'], 0.051);
        }
    }

    public function test_only_the_fuels_an_engine_burns_are_offered(): void
    {
        self::assertSame(['pump', 'strong'], array_keys(BundleReader::read(SmallBundle::document())->bundle->catalog->fuels));
        $diesel = SmallBundle::with('platform.engine.fuel', 'diesel');
        $this->expectException(InvalidBundle::class);
        $this->expectExceptionMessage('plan: The shop has no fuel "pump": use one of diesel.');
        BundleReader::read($diesel);
    }

    public static function faults(): iterable
    {
        yield 'a slot twice' => ['platform.slots.1.key', 'map', 'platform.slots[1]: the key "map" is there twice.'];
        yield 'a lane that is not there' => ['platform.slots.1.lane', 'moon', 'platform.slots[1].lane: "moon" is not known here: use one of map, air, inside.'];
        yield 'a part twice' => ['parts.1.key', 'map', 'parts[1]: the key "map" is there twice.'];
        yield 'edge below safe' => ['platform.limits.0.over_rpm.0.edge', 200, 'platform.limits[0].over_rpm[0]: safe must be above 0 and edge not below safe.'];
        yield 'limit points falling' => ['platform.limits.0.over_rpm.1.rpm', 1400, 'platform.limits[0]: over_rpm: 1400 rpm comes after 1500 rpm'];
        yield 'a limit on no slot' => ['platform.limits.0.slot', 'moon', 'platform.limits[0].slot: there is no slot "moon"'];
        yield 'a range of two' => ['parts.1.gains.0.power', [1, 2], 'parts[1].gains[0].power: must be one number or [low, likely, high].'];
        yield 'likely above high' => ['parts.1.gains.0.torque', [1, 9, 4], 'parts[1].gains[0].torque: likely 9 is above high 4'];
        yield 'a price out of order' => ['parts.1.price.new', [9, 2, 3], 'parts[1].price.new: 9 / 2 / 3 is out of order'];
        yield 'more access than hours' => ['parts.1.price', ['new' => 1, 'hours' => 1, 'access_hours' => 2, 'access_group' => 'x'], 'parts[1].price: access_hours are part of hours'];
        yield 'a caution nobody knows' => ['parts.1.cautions', ['dragons'], 'parts[1].cautions[0]: "dragons" is not known here'];
        yield 'a frame without a factor' => ['parts.1.gains.0.frame', ['dyno' => 'hub'], 'parts[1].gains[0].frame: The shop has no factor for figures from a "hub"'];
        yield 'wheels above the crank' => ['brief.car.measured_loss', ['crank_power' => 200, 'wheel_power' => 210], 'brief.car.measured_loss: 210 at the wheels of 200 at the crank cannot be'];
        yield 'a stage without a fuel' => ['plan.stages.0.fuel', null, 'plan.stages[0]: "fuel" is missing.'];
        yield 'no quantity' => ['plan.stages.0.changes.1.quantity', 0, 'plan.stages[0].changes[1].quantity: 0 is no quantity'];
        yield 'a negative agreed price' => ['plan.stages.0.changes.1.agreed', -5, 'plan.stages[0].changes[1].agreed: an agreed price cannot be negative.'];
        yield 'a negative rate' => ['shop.labour_rate', -85, 'shop.labour_rate: -85 is negative: give 0 or more.'];
        yield 'text for a number' => ['platform.rev_limit', 'high', 'platform.rev_limit: must be a number.'];
        yield 'a rev limit of another world' => ['platform.rev_limit', 650_000_000, 'platform.rev_limit: 650000000 is no limit of an engine with this baseline: give 5850 to 9750.'];
        yield 'a rev limit below peak power' => ['platform.rev_limit', 5000, 'platform.rev_limit: 5000 is no limit of an engine with this baseline: give 5850 to 9750.'];
        yield 'a part that lifts it too far' => ['parts.1.effects', ['rev_limit' => 9800], 'parts[1].effects.rev_limit: 9800 is no rev limit for this platform: give 5850 to 9750.'];
        yield 'years turned round' => ['platform.years', ['from' => 2024, 'to' => 2010], 'platform.years: 2024 comes after 2010: turn them round.'];
        yield 'boost below the outside air' => ['platform.boost', ['at_torque' => [-0.2, 0.5, 0.6], 'at_power' => 0.4], 'platform.boost.at_torque: -0.2 is no boost over the outside air: give 0 to 6 bar.'];
        yield 'boost beyond belief' => ['parts.0.gains.0.boost', ['at_torque' => 1.0, 'at_power' => [1, 2, 61]], 'parts[0].gains[0].boost.at_power: 61 is no boost over the outside air: give 0 to 6 bar.'];
        yield 'a target at 20,000 rpm' => ['brief.target', ['torque' => 300, 'at_rpm' => 20_000], 'brief.target.at_rpm: 20000 rpm is no speed of this engine at full load: give 1500 to 9750.'];
        yield 'a target at idle' => ['brief.target', ['torque' => 300, 'at_rpm' => 900], 'brief.target.at_rpm: 900 rpm is no speed of this engine at full load: give 1500 to 9750.'];
        yield 'used speeds turned round' => ['brief.rpm_range', ['from' => 5000, 'to' => 2000], 'brief.rpm_range: 5000 rpm is not below 2000 rpm: give the lower one first.'];
        yield 'used speeds without width' => ['brief.rpm_range', ['from' => 3000, 'to' => 3000], 'brief.rpm_range: 3000 rpm is not below 3000 rpm'];
        yield 'used speeds beyond the engine' => ['brief.rpm_range', ['from' => 3000, 'to' => 12_000], 'brief.rpm_range.to: 12000 rpm is no speed of this engine at full load: give 1500 to 9750.'];
        yield 'more now than in all' => ['brief.budget', ['total' => 3000, 'now' => 3001], 'brief.budget: 3001 now is more than 3000 in all: lower the one or raise the other.'];
        yield 'added power turned round' => ['parts.1.effects', ['added_power' => [['from_rpm' => 4000, 'to_rpm' => 3000, 'power' => 30]]], 'parts[1].effects.added_power[0]: 4000 rpm is not below 3000 rpm: turn them round.'];
        yield 'a gain over falling speeds' => ['parts.1.gains.0', ['over_rpm' => [['rpm' => 4000, 'power' => 3], ['rpm' => 3000, 'power' => 4]], 'evidence' => ['kind' => 'maker']], 'parts[1].gains[0]: over_rpm: 3000 rpm comes after 4000 rpm, and must rise.'];
        yield 'an object for a list' => ['parts.1.tags', ['a' => 'b'], 'parts[1].tags: must be a list.'];
    }

    #[DataProvider('faults')]
    public function test_a_fault_is_refused_with_its_path(string $path, mixed $value, string $words): void
    {
        try {
            BundleReader::read(SmallBundle::with($path, $value));
            self::fail("{$path} was taken");
        } catch (InvalidBundle $fault) {
            self::assertSame(0, strpos($fault->getMessage(), $words), $fault->getMessage());
        }
    }

    public static function catalogFaults(): iterable
    {
        yield 'a requirement without an answer' => ['parts.3.requires.0.that', ['tag' => 'left-handed'], 'parts[3].requires[0].that: nothing in this catalog'];
        yield 'any of nothing reachable' => ['parts.3.requires.0.that', ['any' => [['ethanol' => ['at_least' => 90]], ['octane' => ['at_least' => 120]]]], 'parts[3].requires[0].that: nothing in this catalog'];
        yield 'a kind of map nobody sells' => ['parts.3.requires.0.that', ['map' => 'remote'], 'parts[3].requires[0].that: nothing in this catalog'];
        yield 'more ethanol than any fuel has' => ['parts.3.requires.0.that', ['ethanol' => ['at_least' => 51]], 'parts[3].requires[0].that: nothing in this catalog'];
        yield 'more octane than any fuel has' => ['parts.3.requires.0.that', ['octane' => ['at_least' => 105]], 'parts[3].requires[0].that: nothing in this catalog'];
        yield 'a slot nothing upgrades' => ['parts.3.requires.0.that', ['slot' => 'rods', 'is' => 'upgraded'], 'parts[3].requires[0].that: nothing in this catalog'];
        yield 'years before the platform' => ['parts.3.requires.0.that', ['year' => ['to' => 1999]], 'parts[3].requires[0].that: nothing in this catalog'];
        yield 'a kit of a part elsewhere' => ['parts.4.contains', ['cooler'], 'parts[4].contains[0]: "cooler" must be a part of the catalog that stands in one of the kit\'s own slots.'];
    }

    #[DataProvider('catalogFaults')]
    public function test_a_catalog_that_does_not_hold_together_is_found_out(string $path, mixed $value, string $words): void
    {
        $faults = CatalogCheck::faults(BundleReader::read(SmallBundle::with($path, $value))->bundle->catalog);
        self::assertCount(1, $faults);
        self::assertSame(0, strpos($faults[0]->getMessage(), $words), $faults[0]->getMessage());
    }

    public static function reachable(): iterable
    {
        yield 'a kind of map' => [['map' => 'dyno']];
        yield 'as much ethanol as a fuel has' => [['ethanol' => ['at_least' => 50]]];
        yield 'as much octane as a fuel has' => [['octane' => ['at_least' => 104]]];
        yield 'a year of the platform' => [['year' => ['from' => 2024]]];
        yield 'a slot left stock' => [['slot' => 'rods', 'is' => 'stock']];
        yield 'one of two' => [['any' => [['tag' => 'left-handed'], ['part' => 'pipe']]]];
    }

    #[DataProvider('reachable')]
    public function test_a_requirement_that_can_be_met_is_taken(array $that): void
    {
        self::assertSame([], CatalogCheck::faults(BundleReader::read(SmallBundle::with('parts.3.requires.0.that', $that))->bundle->catalog));
    }

    public function test_a_sound_catalog_has_no_fault(): void
    {
        self::assertSame([], CatalogCheck::faults(BundleReader::read(SmallBundle::document())->bundle->catalog));
    }

    public function test_equal_documents_have_equal_fingerprints_whatever_the_plan(): void
    {
        $one = BundleReader::read(SmallBundle::document())->bundle;
        self::assertSame($one->fingerprint, BundleReader::read(SmallBundle::with('plan.stages.0.name', 'other'))->bundle->fingerprint);
        self::assertNotSame($one->fingerprint, BundleReader::read(SmallBundle::with('brief.target.power', 251))->bundle->fingerprint);
    }

    public function test_a_trusted_bundle_gives_the_same_estimate_and_makes_only_the_parts_it_needs(): void
    {
        $trusted = BundleReader::trusted(SmallBundle::document())->bundle;
        self::assertSame(
            json_encode(self::estimate(SmallBundle::document())),
            json_encode(EstimateDocument::of(Estimate::of($trusted), new UnitSystem)),
        );
        self::assertSame(['filter', 'kit'], array_map(fn (Part $part): string => $part->key, $trusted->catalog->forSlot('filter')));
        self::assertSame('map', $trusted->catalog->parts->mapSlot());
        self::assertCount(6, $trusted->catalog->parts->all());
        // A part that nobody asks for is not even looked at.
        $lazy = BundleReader::trusted(SmallBundle::with('parts.4.gains.0.power', 'nonsense'))->bundle;
        self::assertNotNull($lazy->catalog->parts['map']->map);
        $this->expectException(InvalidBundle::class);
        $lazy->catalog->part('kit');
    }
}
