<?php

namespace Pebblerun\Core\Tests\Advice;

use Pebblerun\Core\Advice\Offer;
use Pebblerun\Core\Advice\RequirementResolver;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\Any;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\PartFitted;
use Pebblerun\Core\Catalog\Conditions\SlotIs;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Parts\Need;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\PartNeeds;
use Pebblerun\Core\Catalog\Parts\PartPrice;
use Pebblerun\Core\Catalog\Parts\PartWork;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Timeline\Purchase;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\MoneyRange;
use PHPUnit\Framework\TestCase;

final class RequirementResolverTest extends TestCase
{
    private Lyre $lyre;

    protected function setUp(): void
    {
        $this->lyre = new Lyre;
        $this->lyre->parts = [];
    }

    private function part(string $key, string $slot, int $price, ?Condition $needs = null, ?Condition $conflicts = null): void
    {
        $this->lyre->parts[$key] = new Part(
            $key, ucfirst($key), 'Kolvane', [$slot], [], [], null, [], true, new Effects,
            new PartPrice(MoneyRange::exact($price), null, MoneyRange::exact(0), 0, null), new PartWork,
            new PartNeeds($needs === null ? [] : [new Need($needs, null, '')], [], $conflicts === null ? [] : [new Need($conflicts, null, '')]),
        );
    }

    /** @return list<string> each way as its keys */
    private function ways(Condition $that, string ...$fitted): array
    {
        return $this->waysBeside([], $that, ...$fitted);
    }

    /**
     * @param  list<Purchase>  $bought  in the same stage
     * @return list<string>
     */
    private function waysBeside(array $bought, Condition $that, string ...$fitted): array
    {
        $catalog = $this->lyre->catalog();
        $parts = [];
        foreach ($fitted as $key) {
            $parts[$this->lyre->parts[$key]->slots[0]] = $this->lyre->parts[$key];
        }
        $evaluator = $this->lyre->estimate()->evaluator;
        $state = new StageState(1, null, new Build($catalog, $this->lyre->car(), $parts, [], $catalog->fuels['pump']), [], null, $bought, []);
        $ways = (new RequirementResolver($catalog, new Offer($this->lyre->brief(), $evaluator), $evaluator))->of($that, $state);

        return array_map(fn (array $way): string => implode('+', array_map(fn (Part $part): string => $part->key, $way)), $ways);
    }

    public function test_the_cheapest_whole_wins_over_the_cheapest_first_part(): void
    {
        $this->part('cheap', 'turbo', 100, new SlotIs('cooler', true));
        $this->part('dear', 'turbo', 300);
        $this->part('cooler', 'cooler', 500);
        self::assertSame(['dear', 'cheap+cooler'], $this->ways(new SlotIs('turbo', true)));
    }

    /** By hand at 85 an hour: 100 and two hours are 270, 100 with 150 of consumables 250, 260 alone 260. */
    public function test_labour_and_consumables_count_in_what_is_cheapest(): void
    {
        foreach (['slow' => [10_000, 0, 200], 'messy' => [10_000, 15_000, 0], 'plain' => [26_000, 0, 0]] as $key => [$price, $consumables, $hours]) {
            $this->lyre->parts[$key] = new Part(
                $key, ucfirst($key), 'Kolvane', ['turbo'], [], [], null, [], true, new Effects,
                new PartPrice(MoneyRange::exact($price), null, MoneyRange::exact($consumables), 0, null), new PartWork($hours),
            );
        }
        self::assertSame(['messy', 'plain', 'slow'], $this->ways(new SlotIs('turbo', true)));
    }

    /** By hand: 100 and two hours at 85, of which one and a half are shared with what the stage buys anyway, are 142.50; 150 alone is 150, and was the cheaper with nothing beside it. */
    public function test_shared_access_counts_in_what_is_cheapest(): void
    {
        $this->part('plain', 'turbo', 15_000);
        foreach (['shared' => ['turbo', 10_000, 200], 'beside' => ['catback', 5_000, 300]] as $key => [$slot, $price, $hours]) {
            $this->lyre->parts[$key] = new Part(
                $key, ucfirst($key), 'Kolvane', [$slot], [], [], null, [], true, new Effects,
                new PartPrice(MoneyRange::exact($price), null, MoneyRange::exact(0), 0, null), new PartWork($hours, 150, 'exhaust'),
            );
        }
        self::assertSame(['plain', 'shared'], $this->ways(new SlotIs('turbo', true)));
        self::assertSame(['shared', 'plain'], $this->waysBeside([new Purchase($this->lyre->parts['beside'], Change::fit('beside'))], new SlotIs('turbo', true)));
    }

    public function test_needs_of_needs_are_followed_to_the_end(): void
    {
        $this->part('turbo', 'turbo', 100, new PartFitted('cooler'));
        $this->part('cooler', 'cooler', 100, new PartFitted('pipe'));
        $this->part('pipe', 'inlet', 100);
        self::assertSame(['turbo+cooler+pipe'], $this->ways(new SlotIs('turbo', true)));
        self::assertSame(['turbo+cooler'], $this->ways(new SlotIs('turbo', true), 'pipe'));
    }

    public function test_all_of_several_and_any_of_several(): void
    {
        $this->part('a', 'filter', 300);
        $this->part('b', 'inlet', 100);
        $this->part('c', 'cooler', 50);
        self::assertSame(['a+b'], $this->ways(new All([new PartFitted('a'), new PartFitted('b')])));
        self::assertSame(['c', 'b'], $this->ways(new Any([new PartFitted('b'), new PartFitted('c')])));
    }

    public function test_a_way_that_brings_a_conflict_or_takes_an_added_parts_place_is_none(): void
    {
        $this->part('fitted', 'catback', 1, null, new PartFitted('loud'));
        $this->part('loud', 'turbo', 10);
        $this->part('quiet', 'turbo', 90);
        $this->part('loop', 'cooler', 1, new PartFitted('same'));
        $this->part('same', 'cooler', 1);
        self::assertSame(['quiet'], $this->ways(new SlotIs('turbo', true), 'fitted'));
        self::assertSame([], $this->ways(new All([new PartFitted('loop')])));
    }

    public function test_what_nothing_can_serve_has_no_way(): void
    {
        self::assertSame([], $this->ways(new PartFitted('moon')));
    }
}
