<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\AdvisedFinding;
use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Advice\Offer;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\MapIs;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Conditions\PartFitted;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\GainSource;
use Pebblerun\Core\Catalog\Parts\MapTraits;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartLaw;
use Pebblerun\Core\Catalog\Parts\PartNeeds;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Catalog\UnknownChoice;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\Findings\Inspector;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Evaluation\Timeline\StageTimeline;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Job\Plan\Settings;
use Pebblerun\Core\Job\Plan\Stage;
use Pebblerun\Core\Report\Words\FindingWords;
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
        $plan = new Plan(new Settings, array_map(fn (array $changes): Stage => new Stage('s', '', 'pump', $changes), array_values($stages)));

        return (new StageTimeline($lyre->catalog(), $lyre->car()))->states($plan, $lyre->brief()->received);
    }

    public function test_a_custom_map_covers_what_stands_there_when_it_is_made(): void
    {
        $states = self::play(new Lyre, [Change::fit('intake'), Change::fit('map')], [Change::fit('downpipe')], [Change::fit('map')]);
        self::assertTrue($states[1]->build->covers($states[1]->build->fitted['filter']));
        self::assertFalse($states[2]->build->covers($states[2]->build->fitted['downpipe']));
        self::assertTrue($states[3]->build->covers($states[3]->build->fitted['downpipe']));
    }

    public function test_an_off_the_shelf_map_covers_its_list_only(): void
    {
        $lyre = new Lyre;
        $lyre->parts['shelf'] = Lyre::part('shelf', ['map'], [10, 12, 14], [20, 25, 30], new MapTraits(MapKind::OffTheShelf, ['filter', 'catback'], 0.0));
        $state = self::play($lyre, [Change::fit('shelf'), Change::fit('intake'), Change::fit('catback'), Change::fit('downpipe')])[1];
        self::assertTrue($state->build->covers($state->build->fitted['filter']), 'by slot');
        self::assertTrue($state->build->covers($state->build->fitted['catback']), 'by key');
        self::assertFalse($state->build->covers($state->build->fitted['downpipe']));
    }

    public function test_removing_a_part_brings_the_slot_back_to_stock(): void
    {
        $states = self::play(new Lyre, [Change::fit('intake')], [Change::remove('filter')]);
        self::assertArrayNotHasKey('filter', $states[2]->build->fitted);
        self::assertSame(['intake'], array_map(fn (Part $part): string => $part->key, $states[2]->replaced));
    }

    public function test_a_part_that_must_not_run_unmapped_gates_its_stage(): void
    {
        $lyre = new Lyre;
        $lyre->parts['turbo'] = Lyre::part('turbo', ['turbo'], [30, 40, 50], [0, 10, 20], runsUnmapped: false);
        $results = $lyre->results(['map'], ['turbo'], ['map']);
        self::assertCount(1, $results[2]->state->build->gating());
        self::assertSame([], $results[3]->state->build->gating());
        self::assertEqualsWithDelta($results[1]->likely->peakPower()->value, $results[2]->likely->peakPower()->value, 1e-6, 'no gain is promised before the map');
        self::assertContains(FindingKind::Gated, array_map(fn (Finding $finding): FindingKind => $finding->kind, $results[2]->findings));
    }

    public function test_an_unmet_need_names_what_would_settle_it_cheapest_first(): void
    {
        $lyre = new Lyre;
        $need = new Need(new PartFitted('cooler'), null, 'it soaks.');
        $lyre->parts['hot'] = new Part('hot', 'Hot part', 'Kolvane', ['turbo'], [], [], null, [], true, new Effects, $lyre->parts['intake']->price, $lyre->parts['intake']->work, new PartNeeds([$need], [], [new Need(new PartFitted('downpipe'), null, 'they touch.')]), new PartLaw(true, 'closed courses.'));
        $state = self::play($lyre, [Change::fit('hot'), Change::fit('downpipe')])[1];
        $findings = (new Inspector)->of($state->build);
        $missing = array_values(array_filter((new FindingAdvisor($lyre->catalog(), new Offer($lyre->brief(), $lyre->estimate()->evaluator), $lyre->estimate()->evaluator))->of($findings, $state), fn (AdvisedFinding $one): bool => $one->finding->kind === FindingKind::Missing))[0];
        self::assertSame('cooler', $missing->fixes[0][0]->key);
        self::assertSame('cooler', $missing->slot);
        $words = new FindingWords($lyre->catalog());
        self::assertSame([
            'Hot part needs the Cooler: it soaks.',
            'Hot part does not go with the Downpipe: they touch.',
            'Hot part is for closed courses only: closed courses.',
        ], array_map(fn (Finding $finding): string => $words->of($finding, $state->build), array_values(array_filter($findings, fn (Finding $finding): bool => $finding->part?->key === 'hot'))));
    }

    public function test_two_cases_that_apply_equally_are_a_data_fault(): void
    {
        $lyre = new Lyre;
        $map = $lyre->parts['map'];
        $case = fn (): GainCase => new GainCase(new MapIs([MapKind::Dyno]), $map->gains[0]->power, $map->gains[0]->torque, [], null, 0.3, $map->gains[0]->source);
        $lyre->parts['twice'] = new Part('twice', 'Twice', 'Kolvane', ['turbo'], [], [], null, [$case(), $case()], true, new Effects, $map->price, $map->work);
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
        $case = fn (float $ethanol, float $watts): GainCase => new GainCase(new EthanolAtLeast($ethanol), Range::exact($watts), Range::exact(60.0), [], null, 0.3, new GainSource(Evidence::ShopDyno));
        $map = fn (bool $flex): Part => new Part('map', 'Map', 'Nullarc', ['map'], [], [], new MapTraits(MapKind::Dyno, [], 0.0, $flex), [$case(0.0, 25_000.0), new GainCase(new All([new EthanolAtLeast(0.0), new EthanolAtLeast(25.0)]), Range::exact(40_000.0), Range::exact(80.0), [], null, 0.3, new GainSource(Evidence::ShopDyno))], true, new Effects, $lyre->parts['map']->price, $lyre->parts['map']->work);
        $peaks = function (Part $map, bool $again) use ($lyre, $strong): array {
            $lyre->parts['map'] = $map;
            $lyre->fuels['strong'] = $strong;
            $estimate = Estimate::of($lyre->bundle()->with(new Plan(new Settings, [
                new Stage('a', '', 'pump', [Change::fit('map')]),
                new Stage('b', '', 'strong', $again ? [Change::fit('map')] : []),
            ])));
            $words = new FindingWords($lyre->catalog());
            $last = $estimate->last();

            return [round(($last->likely->peakPower()->value - 159_130.0) / 1000.0), array_map(fn (Finding $finding): string => $words->of($finding, $last->state->build), $last->findings)];
        };
        [$kept, $findings] = $peaks($map(false), false);
        self::assertSame(0.0, $kept, 'a map that runs lean gives nothing');
        self::assertContains('Map was written on Pump 98: Strong blend is 11.4 % leaner than it was written for, more than the 6 % that can be followed: it runs lean. No full load on it: map again on this fuel, or fill the other.', $findings);
        self::assertSame([40.0, []], $peaks($map(false), true));
        self::assertSame([40.0, []], $peaks($map(true), false));
    }
}
