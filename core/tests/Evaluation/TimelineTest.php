<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\MapIs;
use Pebblerun\Core\Catalog\Conditions\PartFitted;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartCollection;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Catalog\UnknownChoice;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\Findings\Inspector;
use Pebblerun\Core\Evaluation\PlanEvaluator;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\PriceBasis;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use PHPUnit\Framework\TestCase;

final class TimelineTest extends TestCase
{
    /**
     * @param  list<Change>  ...$stages
     * @return list<StageState>
     */
    private static function play(Lyre $lyre, array ...$stages): array
    {
        $plan = new Plan(Stacking::Diminishing, false, PriceBasis::New, array_map(fn (array $changes): Stage => new Stage('s', '', 'pump', $changes), array_values($stages)));

        return StageTimeline::of($plan, $lyre->brief()->came, $lyre->catalog(), $lyre->brief()->car);
    }

    /** @return list<string> */
    private static function kinds(Lyre $lyre, StageState $state): array
    {
        return array_map(fn (Finding $finding): string => $finding->kind->value, (new Inspector($lyre->catalog(), 8_500))->of($state));
    }

    public function test_a_custom_map_covers_what_stands_there_when_it_is_made(): void
    {
        $states = self::play(new Lyre, [Change::fit('intake'), Change::fit('map')], [Change::fit('downpipe')], [Change::fit('map')]);
        self::assertTrue($states[1]->covers($states[1]->mounted['filter']));
        self::assertFalse($states[2]->covers($states[2]->mounted['downpipe']));
        self::assertTrue($states[3]->covers($states[3]->mounted['downpipe']));
    }

    public function test_an_off_the_shelf_map_covers_its_list_only(): void
    {
        $lyre = new Lyre;
        $lyre->parts['shelf'] = Lyre::part('shelf', ['map'], [10, 12, 14], [20, 25, 30], new MapTraits(MapKind::OffTheShelf, ['filter', 'catback'], 0.0));
        $state = self::play($lyre, [Change::fit('shelf'), Change::fit('intake'), Change::fit('catback'), Change::fit('downpipe')])[1];
        self::assertTrue($state->covers($state->mounted['filter']), 'by slot');
        self::assertTrue($state->covers($state->mounted['catback']), 'by key');
        self::assertFalse($state->covers($state->mounted['downpipe']));
    }

    public function test_removing_a_part_brings_the_slot_back_to_stock(): void
    {
        $states = self::play(new Lyre, [Change::fit('intake')], [Change::remove('filter')]);
        self::assertArrayNotHasKey('filter', $states[2]->mounted);
        self::assertSame(['intake'], array_map(fn (Part $part): string => $part->key, $states[2]->replaced));
    }

    public function test_a_part_that_must_not_run_unmapped_gates_its_stage(): void
    {
        $lyre = new Lyre;
        $lyre->parts['turbo'] = Lyre::part('turbo', ['turbo'], [30, 40, 50], [0, 10, 20], runsUnmapped: false);
        $results = $lyre->estimator(['map'], ['turbo'], ['map'])->estimate();
        self::assertCount(1, $results[2]->gating());
        self::assertSame([], $results[3]->gating());
        self::assertEqualsWithDelta($results[1]->likely->peakPower()->value, $results[2]->likely->peakPower()->value, 1e-6, 'no gain is promised before the map');
        self::assertContains('gated', self::kinds($lyre, $results[2]->model->state));
    }

    public function test_an_unmet_need_names_what_would_settle_it_cheapest_first(): void
    {
        $lyre = new Lyre;
        $need = new Need(new PartFitted('cooler'), null, 'it soaks.');
        $lyre->parts['hot'] = new Part('hot', 'Hot part', 'Kolvane', ['turbo'], [], [], null, [], true, new Effects, [$need], [], [new Need(new PartFitted('downpipe'), null, 'they touch.')], $lyre->parts['intake']->price, true, 'closed courses.', []);
        $state = self::play($lyre, [Change::fit('hot'), Change::fit('downpipe')])[1];
        $findings = (new Inspector($lyre->catalog(), 8_500))->of($state);
        $missing = array_values(array_filter($findings, fn (Finding $finding): bool => $finding->kind === FindingKind::Missing))[0];
        self::assertSame('Hot part needs the Cooler: it soaks.', $missing->sentence);
        self::assertSame('cooler', $missing->fixes[0][0]->key);
        self::assertSame('cooler', $missing->slot);
        $sentences = array_map(fn (Finding $finding): string => $finding->sentence, $findings);
        self::assertContains('Hot part does not go with the Downpipe: they touch.', $sentences);
        self::assertContains('Hot part is for closed courses only: closed courses.', $sentences);
    }

    public function test_two_cases_that_apply_equally_are_a_data_fault(): void
    {
        $lyre = new Lyre;
        $map = $lyre->parts['map'];
        $case = fn (): GainCase => new GainCase(new MapIs([MapKind::Dyno]), $map->gains[0]->power, $map->gains[0]->torque, [], null, 0.3, $map->gains[0]->evidence, '');
        $lyre->parts['twice'] = new Part('twice', 'Twice', 'Kolvane', ['turbo'], [], [], null, [$case(), $case()], true, new Effects, [], [], [], $map->price, false, '', []);
        $this->expectException(AmbiguousCase::class);
        $this->expectExceptionMessage('Two gain cases of "Twice" apply equally on Pump 98');
        $lyre->last(['map', 'twice']);
    }

    public function test_an_unknown_part_slot_or_fuel_is_refused(): void
    {
        $this->expectException(UnknownChoice::class);
        $this->expectExceptionMessage('The platform has no slot "moon": use one of filter, inlet');
        self::play(new Lyre, [Change::remove('moon')]);
    }

    public function test_a_map_holds_for_the_fuel_it_was_written_on(): void
    {
        $lyre = new Lyre;
        $strong = new Fuel('strong', 'Strong blend', 102.0, Range::of(25.0, 30.0, 36.0));
        $case = fn (float $ethanol, float $watts): GainCase => new GainCase(new EthanolAtLeast($ethanol), Range::exact($watts), Range::exact(60.0), [], null, 0.3, Evidence::ShopDyno, '');
        $map = fn (bool $flex): Part => new Part('map', 'Map', 'Nullarc', ['map'], [], [], new MapTraits(MapKind::Dyno, [], 0.0, $flex), [$case(0.0, 25_000.0), new GainCase(new All([new EthanolAtLeast(0.0), new EthanolAtLeast(25.0)]), Range::exact(40_000.0), Range::exact(80.0), [], null, 0.3, Evidence::ShopDyno, '')], true, new Effects, [], [], [], $lyre->parts['map']->price, false, '', []);
        $peaks = function (Part $map, bool $again) use ($lyre, $strong): array {
            $catalog = new Catalog($lyre->platform(), PartCollection::of([...$lyre->parts, 'map' => $map]), [...$lyre->catalog()->fuels, 'strong' => $strong]);
            $plan = new Plan(Stacking::Diminishing, false, PriceBasis::New, [
                new Stage('a', '', 'pump', [Change::fit('map')]),
                new Stage('b', '', 'strong', $again ? [Change::fit('map')] : []),
            ]);
            $results = (new PlanEvaluator($catalog, $lyre->brief(), $plan))->estimate();
            $findings = (new Inspector($catalog, 8_500))->of($results[2]->model->state);

            return [round(($results[2]->likely->peakPower()->value - 159_130.0) / 1000.0), array_map(fn (Finding $finding): string => $finding->sentence, $findings)];
        };
        [$kept, $findings] = $peaks($map(false), false);
        self::assertSame(25.0, $kept);
        self::assertContains('Map was written on Pump 98 and does not allow Strong blend: map again on the new fuel.', $findings);
        self::assertSame([40.0, []], $peaks($map(false), true));
        self::assertSame([40.0, []], $peaks($map(true), false));
    }
}
