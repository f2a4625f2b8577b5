<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Advice\AdvisedFinding;
use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Report\Words\FindingWords;
use Pebblerun\Core\Tests\Exchange\SmallBundle;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every kind of finding, on the small bundle with one thing changed. */
final class InspectorTest extends TestCase
{
    private static Estimate $last;

    private static function sentence(AdvisedFinding $advised): string
    {
        return (new FindingWords(self::$last->bundle->catalog))->of($advised->finding, self::$last->last()->state->build);
    }

    /**
     * @param  array<string, mixed>  $changes  by path
     * @return list<AdvisedFinding> of the last stage
     */
    private static function findings(array $changes): array
    {
        $document = SmallBundle::document();
        foreach ($changes as $path => $value) {
            $document = SmallBundle::change($document, $path, $value);
        }
        self::$last = SmallBundle::estimate($document);
        $findings = FindingAdvisor::ofPlan(self::$last);

        return $findings[count($findings) - 1];
    }

    public static function cases(): iterable
    {
        yield 'missing' => [[], FindingKind::Missing, 'Cooler needs the Pipe: the rubber pipe does not reach.', 'pipe'];
        yield 'advised' => [[], FindingKind::Advised, 'Filter is better with upgraded pipe: the rubber pipe collapses.', 'pipe'];
        yield 'uncovered' => [[], FindingKind::Uncovered, 'Cooler gives only part of its gain: it came after Map.', 'cooler'];
        yield 'uncovered by the factory map' => [['plan.stages.0.changes' => [['fit' => 'filter']]], FindingKind::Uncovered, 'Filter gives only part of its gain: the factory map does not know it.', 'filter'];
        yield 'not on the list' => [['parts.0.map' => ['kind' => 'off-the-shelf', 'covers' => ['pipe']]], FindingKind::Uncovered, 'Filter gives only part of its gain: Map does not list it.', 'filter'];
        yield 'gated' => [['plan.stages.1.changes' => [['fit' => 'late']]], FindingKind::Gated, 'Late must not see full load yet: it came after Map. Drive gently to the map, and do not stop here.', 'cooler'];
        yield 'conflict' => [['parts.3.conflicts' => [['that' => ['map' => 'dyno'], 'reason' => 'it was never logged.']]], FindingKind::Conflict, 'Cooler does not go with a dyno map: it was never logged.', 'cooler'];
        yield 'another fuel than the map was written on' => [['plan.stages.1.fuel' => 'strong'], FindingKind::WrongFuel, 'Map was written on Pump 98: Strong blend is 22.4 % leaner than it was written for, more than the 6 % that can be followed: it runs lean. No full load on it: map again on this fuel, or fill the other.', 'map'];
        yield 'off the shelf, in a stage of another fuel' => [['plan.stages.0.fuel' => 'strong', 'plan.stages.1.fuel' => 'strong', 'parts.0.map' => ['kind' => 'off-the-shelf', 'covers' => ['filter', 'pipe']]], FindingKind::WrongFuel, 'Map is written for another fuel: Strong blend is 22.4 % leaner than it was written for, more than the 6 % that can be followed: it runs lean. No full load on it: map again on this fuel, or fill the other.', 'map'];
        yield 'no calibration' => [['parts.0.gains.0.when' => ['ethanol' => ['at_least' => 40]]], FindingKind::NotAllowed, 'Map has no calibration for Pump 98 with this build.', 'map'];
        yield 'closed courses' => [['parts.3.law' => ['track_only' => true, 'note' => 'closed courses only.']], FindingKind::Law, 'Cooler is for closed courses only: closed courses only.', 'cooler'];
        yield 'two for one place' => [['plan.stages.1.changes' => [['fit' => 'late'], ['fit' => 'cooler']]], FindingKind::Displaced, 'Late is chosen, and Cooler after it for the same place: Late is neither fitted nor billed. Take one of them out.', 'cooler'];
        yield 'a broken kit' => [['plan.stages.0.changes' => [['fit' => 'map'], ['fit' => 'kit']], 'plan.stages.1.changes' => [['fit' => 'pipe']]], FindingKind::KitBroken, 'Kit is broken up, so its measured gain no longer holds: Filter counts by itself.', 'filter'];
    }

    #[DataProvider('cases')]
    public function test_a_finding_explains_itself_where_it_shows(array $changes, FindingKind $kind, string $sentence, string $slot): void
    {
        $found = array_values(array_filter(self::findings($changes), fn (AdvisedFinding $one): bool => $one->finding->kind === $kind && self::sentence($one) === $sentence));
        self::assertCount(1, $found, implode("\n", array_map(self::sentence(...), self::findings($changes))));
        self::assertSame($slot, $found[0]->slot);
    }

    public function test_faults_come_first(): void
    {
        $faults = array_map(fn (AdvisedFinding $one): bool => $one->finding->kind->isFault(), self::findings([]));
        self::assertSame([true, false, false], $faults);
    }

    public function test_a_need_with_a_when_holds_only_then(): void
    {
        $needs = [['that' => ['part' => 'pipe'], 'when' => ['ethanol' => ['at_least' => 40]], 'reason' => 'it swells.']];
        $kinds = fn (array $changes): array => array_map(fn (AdvisedFinding $one): FindingKind => $one->finding->kind, self::findings(['parts.3.requires' => $needs, ...$changes]));
        self::assertNotContains(FindingKind::Missing, $kinds([]));
        self::assertContains(FindingKind::Missing, $kinds(['plan.stages.0.fuel' => 'strong', 'plan.stages.1.fuel' => 'strong']));
    }

    public function test_a_need_that_a_fuel_would_settle_names_it(): void
    {
        $findings = self::findings(['parts.3.requires' => [['that' => ['octane' => ['at_least' => 102]], 'reason' => 'it knocks.']]]);
        self::assertSame(['strong'], array_map(fn (Fuel $fuel): string => $fuel->key, $findings[0]->fuels));
        self::assertSame([], $findings[0]->fixes);
    }

    public function test_what_is_whole_has_no_finding(): void
    {
        self::assertSame([], self::findings(['plan.stages' => [['key' => 's1', 'name' => '', 'fuel' => 'pump', 'changes' => [['fit' => 'filter'], ['fit' => 'pipe'], ['fit' => 'cooler'], ['fit' => 'map']]]]]));
    }
}
