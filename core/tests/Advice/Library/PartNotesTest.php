<?php

namespace Pebblerun\Core\Tests\Advice\Library;

use Pebblerun\Core\Advice\Library\PartNote;
use Pebblerun\Core\Advice\Library\PartNoteCode;
use Pebblerun\Core\Advice\Library\PartNotes;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\PartNoteWords;
use Pebblerun\Core\Tests\Exchange\AirBundle;
use Pebblerun\Core\Units\UnitSystem;
use PHPUnit\Framework\TestCase;

/** A part that takes a slot: what of the stock component goes with it, what stays and is said to, and figures told in the trade's own way. */
final class PartNotesTest extends TestCase
{
    private const EVIDENCE = ['kind' => 'maker'];

    private const PIPE = ['key' => 'pipe', 'name' => 'Plastic pipe', 'slot' => 'pump', 'quantity' => 'boost', 'safe' => 1.2, 'edge' => 1.4, 'consequence' => 'it splits', 'evidence' => self::EVIDENCE];

    /** @param  array<string, mixed>  $effects  of the part "large", in the slot of the stock pump, injectors and a plastic pipe */
    private static function opened(array $effects): OpenedBundle
    {
        $document = AirBundle::natural('roots');
        $document['platform']['limits'][] = self::PIPE;
        foreach ($document['parts'] as $at => $part) {
            if ($part['key'] === 'large') {
                $document['parts'][$at]['effects'] = $effects;
            }
        }

        return BundleReader::read($document);
    }

    /**
     * @param  array<string, mixed>  $effects
     * @return list<string> "limit stays: pipe"
     */
    private static function notes(array $effects): array
    {
        $catalog = self::opened($effects)->bundle->catalog;

        return array_map(fn (PartNote $note): string => $note->code->name.' '.($note->of->key ?? ''), (new PartNotes($catalog->platform))->of($catalog->part('large')));
    }

    /**
     * @param  array<string, mixed>  $effects
     * @return array<string, float> edge of each fuel component and limit of the last stage that has the part, by key
     */
    private static function limits(array $effects): array
    {
        $readings = Estimate::of(self::opened($effects)->bundle)->last()->readings;

        return array_combine(array_map(fn (LimitReading $reading): string => $reading->limit->key, $readings), array_map(fn (LimitReading $reading): float => $reading->edge, $readings));
    }

    /**
     * @param  array<string, float>  $figures
     * @return array<string, mixed>
     */
    private static function supply(string $key, string $kind, array $figures): array
    {
        return ['key' => $key, 'name' => ucfirst($key), 'slot' => 'pump', 'kind' => $kind, 'consequence' => 'lean', 'evidence' => self::EVIDENCE, ...$figures];
    }

    public function test_what_stays_is_said_until_the_part_has_its_own_or_says_that_the_old_one_goes(): void
    {
        self::assertSame(['LimitStays pipe', 'SupplyStays injectors', 'SupplyStays feed'], self::notes([]));
        $own = ['supplies' => [self::supply('big-pump', 'feed-pump', ['flow_l_h' => 400])], 'limits' => [[...self::PIPE, 'key' => 'alu', 'safe' => 2.0, 'edge' => 2.4]]];
        self::assertSame(['SupplyStays injectors'], self::notes($own));
        self::assertSame([], self::notes([...$own, 'replaces' => ['injectors']]));
        self::assertSame(['SupplyStays injectors', 'SupplyStays feed'], self::notes(['replaces' => ['pipe']]));
    }

    public function test_a_pump_of_any_name_takes_the_place_of_the_one_of_its_kind_in_its_slot(): void
    {
        $stock = self::limits([]);
        self::assertSame(['injectors', 'feed'], array_values(array_intersect(array_keys($stock), ['injectors', 'feed', 'big-pump'])));
        $pump = self::limits(['supplies' => [self::supply('big-pump', 'feed-pump', ['flow_l_h' => 400])]]);
        self::assertArrayNotHasKey('feed', $pump, 'the stock pump is out of the car');
        self::assertEqualsWithDelta(400.0 / 190.0 * $stock['feed'], $pump['big-pump'], 1e-6);
        self::assertArrayHasKey('injectors', $pump, 'another kind in the same slot stays');
        self::assertArrayNotHasKey('injectors', self::limits(['replaces' => ['injectors']]));
        self::assertArrayHasKey('pipe', $stock);
        self::assertArrayNotHasKey('pipe', self::limits(['replaces' => ['pipe']]));
    }

    public function test_good_for_a_power_is_the_flow_that_the_stock_car_burns_at_it(): void
    {
        $opened = self::opened(['supplies' => [self::supply('big-pump', 'feed-pump', ['good_for' => 480]), self::supply('cam', 'cam-pump', ['good_for' => 480])]]);
        $platform = $opened->bundle->catalog->platform;
        // Natural, front wheels, a manual: 14 % lost, 305 g/kWh of petrol, which 5 % of ethanol makes 311.3: 480 hp are 416.2 kW, 129.6 kg/h, 173.4 L/h.
        $litres = 480 * 0.7457 / 0.86 * 305 * 43.4 / 42.52 / 747.2;
        self::assertEqualsWithDelta($litres, 3.6e6 * $platform->pumpFuel(new UsualLoss)->volume(480 * 745.7), 0.05);
        self::assertEqualsWithDelta(311.3, $platform->pumpFuel(new UsualLoss)->consumption(), 0.1);
        $words = new PartNoteWords($platform->pumpFuel(new UsualLoss), UnitFormatter::for($opened->bundle, new UnitSystem));
        $said = array_map($words->of(...), (new PartNotes($platform))->of($opened->bundle->catalog->part('large')));
        self::assertStringContainsString('480 whp on pump fuel take 173 L/h', $said[0]);
        self::assertStringContainsString('at 311 g/kWh', $said[0]);
        self::assertStringContainsString('0.494 cc per rev at 5,850 rpm', $said[1]);
        self::assertEqualsWithDelta(480 * 745.7, $platform->pumpFuel(new UsualLoss)->carriedBy($opened->bundle->catalog->part('large')->effects->supplies[1]->supply), 30.0, 'and back');
        self::assertSame('Cam, good for about 480 whp on pump fuel', $words->supply($opened->bundle->catalog->part('large')->effects->supplies[1]));
        // It carries that for good: 400 hp use 400/480 of what is safe, 480/1.1 of the edge.
        $supply = $opened->bundle->catalog->part('large')->effects->supplies[0]->supply;
        self::assertEqualsWithDelta($litres / 3.6e6, $supply->edge(5800.0, 0.0, self::fuel()) * $supply->safe() / self::fuel()->density, 1e-8);
        $cam = $opened->bundle->catalog->part('large')->effects->supplies[1]->supply;
        self::assertEqualsWithDelta($litres / 3.6e6, $cam->edge($platform->baseline->peakPower()->rpm, 0.0, self::fuel()) * $cam->safe() / self::fuel()->density, 1e-8);
    }

    private static function fuel(): Blend
    {
        return Blend::petrol(5.0);
    }

    public function test_a_cooler_is_told_by_its_core_or_said_to_do_nothing(): void
    {
        $document = AirBundle::natural('roots');
        $cooler = fn (array $effects): array => [...array_column($document['parts'], null, 'key')['spray'], 'key' => 'core', 'slots' => ['cooler'], 'tags' => [], 'effects' => $effects];
        /** @return array{list<PartNote>, Cooler} */
        $of = function (array $effects) use ($document, $cooler): array {
            $catalog = BundleReader::read([...$document, 'parts' => [...$document['parts'], $cooler($effects)]])->bundle->catalog;

            return [(new PartNotes($catalog->platform))->of($catalog->part('core')), $catalog->part('core')->effects->cooler ?? new Cooler(0.0, 0.0, 0.0)];
        };
        self::assertSame([PartNoteCode::CoolsNothing], array_column($of([])[0], 'code'));
        // 6 L of bar and plate, as the method's own: 0.82 at 0.36 kg/s, near 30 kJ/K and 2,800 W/K.
        [$notes, $typical] = $of(['cooler' => ['core' => ['kind' => 'bar-and-plate', 'width_mm' => 400, 'height_mm' => 250, 'depth_mm' => 60]]]);
        self::assertSame([PartNoteCode::TypicalCooler], array_column($notes, 'code'));
        self::assertSame([0.821, 28_800.0, 2_760.0, 0.36], [$typical->effectiveness, $typical->capacity, $typical->conductance, $typical->ratedFlow]);
        [, $thin] = $of(['cooler' => ['core' => ['kind' => 'tube-and-fin', 'width_mm' => 400, 'height_mm' => 250, 'depth_mm' => 60]]]);
        [, $water] = $of(['cooler' => ['core' => ['kind' => 'water', 'width_mm' => 400, 'height_mm' => 250, 'depth_mm' => 60]]]);
        self::assertLessThan($typical->effectiveness, $thin->effectiveness);
        self::assertGreaterThan($typical->capacity, $water->capacity);
        // What is stated counts, whatever the core.
        [$notes, $stated] = $of(['cooler' => ['core' => ['kind' => 'water', 'width_mm' => 400, 'height_mm' => 250, 'depth_mm' => 60], 'effectiveness' => 0.7, 'capacity_kj_k' => 20, 'ua_w_k' => 1000]]);
        self::assertSame([[], 0.7], [$notes, $stated->effectiveness]);
    }
}
