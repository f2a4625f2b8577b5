<?php

namespace Pebblerun\Core\Tests\Job;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Job\Commands\PlanPlaces;
use Pebblerun\Core\Report\Words\ChangeWords;
use Pebblerun\Core\Tests\Lyre;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A plan as places that can change by themselves, and how each is named to the other person.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final class PlanPlacesTest extends TestCase
{
    private const PLAN = ['name' => 'Plan', 'settings' => ['stacking' => 'diminishing'], 'stages' => [
        ['key' => 's1', 'name' => 'one', 'fuel' => 'pump', 'changes' => [['fit' => 'map'], ['fit' => 'intake']]],
        ['key' => 's2', 'name' => 'two', 'fuel' => 'pump', 'changes' => [['fit' => 'kit'], ['remove' => 'cooler']]],
    ]];

    /**
     * @param  PlanDocument  $after
     * @return array<string, string> words by place
     */
    private static function changed(Catalog $catalog, array $after): array
    {
        return array_map(ChangeWords::one(...), (new PlanPlaces($catalog))->changed(self::PLAN, $after));
    }

    /** @return PlanDocument */
    private static function planWith(string $path, mixed $value): array
    {
        $after = json_decode((string) json_encode(self::PLAN), true);
        $at = &$after;
        foreach (explode('.', $path) as $step) {
            $at = &$at[$step];
        }
        $at = $value;

        /** @var PlanDocument */
        return $after;
    }

    /** A path that is set, its value, and the places with their words. */
    public static function changes(): iterable
    {
        yield 'the plan’s name' => ['name', 'Another name', ['@plan-name' => 'call the plan "Another name"']];
        yield 'a part' => ['stages.0.changes.1', ['fit' => 'catback'], ['s1/filter' => 'Filter in stage 1: taken away', 's1/catback' => 'Catback in stage 1: Catback']];
        yield 'a price' => ['stages.0.changes.1', ['fit' => 'intake', 'agreed' => 90, 'quantity' => 2], ['s1/filter' => 'Filter in stage 1: Intake, agreed at 90, 2 of them']];
        yield 'a basis' => ['stages.0.changes.1', ['fit' => 'intake', 'basis' => 'owned'], ['s1/filter' => 'Filter in stage 1: Intake, owned']];
        yield 'back to stock' => ['stages.0.changes.1', ['remove' => 'filter'], ['s1/filter' => 'Filter in stage 1: back to stock']];
        yield 'a name' => ['stages.1.name', 'later', ['s2/@name' => 'stage 2 is called "later"']];
        yield 'a fuel' => ['stages.1.fuel', 'other', ['s2/@fuel' => 'stage 2 on other']];
        yield 'a setting' => ['settings.stacking', 'sum', ['@stacking' => 'calculation settings: gains plain sum']];
        yield 'a new setting' => ['settings.loss', 'constant', ['@loss' => 'calculation settings: constant loss']];
    }

    /** @param  array<string, string>  $places */
    #[DataProvider('changes')]
    public function test_a_change_is_the_places_it_touches(string $path, mixed $value, array $places): void
    {
        $lyre = new Lyre;
        $lyre->parts['kit'] = Lyre::part('kit', ['inlet', 'downpipe'], [14, 18, 22], [16, 22, 28]);
        self::assertSame($places, self::changed($lyre->catalog(), self::planWith($path, $value)));
    }

    public function test_a_kit_is_every_place_it_spans(): void
    {
        $lyre = new Lyre;
        $lyre->parts['kit'] = Lyre::part('kit', ['inlet', 'downpipe'], [14, 18, 22], [16, 22, 28]);
        $after = self::PLAN;
        unset($after['stages'][1]['changes'][0]);
        $after['stages'][1]['changes'] = array_values($after['stages'][1]['changes']);
        self::assertSame(['s2/inlet' => 'Inlet in stage 2: taken away', 's2/downpipe' => 'Downpipe in stage 2: taken away'], self::changed($lyre->catalog(), $after));
    }

    public function test_stages_are_one_row_and_each_its_own_places(): void
    {
        $catalog = (new Lyre)->catalog();
        $after = self::PLAN;
        $after['stages'] = array_reverse($after['stages']);
        self::assertSame(['@stages' => '2 stages'], self::changed($catalog, $after), 'another order changes the row alone');
        array_shift($after['stages']);
        self::assertSame(['@stages', 's2/*'], array_keys(self::changed($catalog, $after)));
    }
}
