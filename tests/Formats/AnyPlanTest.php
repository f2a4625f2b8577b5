<?php

namespace Tests\Formats;

use Pebblerun\Core\Advice\Fixes;
use Pebblerun\Core\Advice\VerdictSubject;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Limits\QuantityTraits;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Brief\BriefPlaces;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Report\EstimateDocument;
use Pebblerun\Core\Tests\Evaluation\FiguresInMemory;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\UnitSystem;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use Pebblerun\Formats\SchemaValidator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\Group;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * Whatever is fitted on whichever platform: seeded plans of the demo's parts, and what must hold of every one.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
#[Group('slow')]
final class AnyPlanTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    private const PLANS = 5;

    /** One job of each platform, and seeds. */
    public static function plans(): iterable
    {
        foreach (['skarn-hill-commuter', 'up-the-hill', 'caravan-tourer', 'quiet-blower'] as $job) {
            for ($seed = 1; $seed <= self::PLANS; $seed++) {
                yield "{$job} {$seed}" => [$job, $seed];
            }
        }
    }

    private static function bundle(string $job): OpenedBundle
    {
        return DocumentReader::standard()->open((new Folder(self::ROOT.'/demo', DocumentReader::standard()))->bundle($job));
    }

    /** @return PlanDocument of up to four stages with up to six parts each */
    private static function plan(OpenedBundle $opened, int $seed): array
    {
        $random = new Randomizer(new Mt19937($seed));
        /** @var non-empty-list<string> $parts */
        $parts = array_keys($opened->bundle->catalog->parts->all());
        $fuels = array_map(fn (Fuel $fuel): string => $fuel->key, array_values($opened->bundle->catalog->fuels));
        $stages = [];
        for ($i = 1, $count = $random->getInt(1, 4); $i <= $count; $i++) {
            $picked = $random->pickArrayKeys($parts, $random->getInt(1, 6));
            $stages[] = [
                'key' => "s{$i}", 'name' => "stage {$i}", 'fuel' => $fuels[$random->getInt(0, count($fuels) - 1)],
                'changes' => array_map(fn (int $at): array => ['fit' => $parts[$at]], $picked),
            ];
        }

        return ['name' => 'any', 'stages' => $stages];
    }

    #[DataProvider('plans')]
    public function test_its_document_follows_the_schema_in_any_units(string $job, int $seed): void
    {
        $opened = self::bundle($job);
        $estimate = Estimate::of($opened->withPlan(self::plan($opened, $seed))->bundle);
        $gate = new SchemaValidator(self::ROOT.'/schemas');
        foreach ([[$opened->units, Numerals::Comma], [UnitSystem::parse(['power' => 'kW', 'torque' => 'Nm', 'pressure' => 'psi', 'temperature' => 'F', 'mass' => 'lb']), Numerals::Point]] as [$units, $numerals]) {
            $gate->check('estimate.json', json_decode((string) json_encode(EstimateDocument::of($estimate, $units, $numerals))));
        }
        $this->addToAssertionCount(1);
    }

    #[DataProvider('plans')]
    public function test_its_figures_are_in_order_and_bounded(string $job, int $seed): void
    {
        $opened = self::bundle($job);
        $estimate = Estimate::of($opened->withPlan(self::plan($opened, $seed))->bundle);
        $start = $estimate->results[0]->power->p50;
        foreach ($estimate->results as $i => $result) {
            foreach ([$result->power, $result->torque] as $spread) {
                self::assertLessThanOrEqual($spread->p50, $spread->p10);
                self::assertLessThanOrEqual($spread->p90, $spread->p50);
            }
            self::assertGreaterThan(0.4 * $start, $result->power->p10, "stage {$i} still runs");
            self::assertLessThan(4.0 * $start, $result->power->p90, "stage {$i} is of this world");
            self::assertEqualsWithDelta($result->likely->peakPower()->value, $result->power->p50, 0.06 * $start, 'likely and median are near');
            foreach ($result->likely->torque as $torque) {
                self::assertGreaterThanOrEqual(0.0, $torque);
            }
            foreach ($result->readings as $reading) {
                self::assertLimit($reading);
            }
        }
        foreach ($estimate->costs as $i => $cost) {
            self::assertGreaterThanOrEqual($i === 0 ? 0 : $estimate->cumulative($i - 1)->likely, $estimate->cumulative($i)->likely);
            self::assertLessThanOrEqual($cost->spend->high, $cost->spend->likely);
        }
    }

    private static function assertLimit(LimitReading $reading): void
    {
        $lowerIsWorse = $reading->limit->quantity === Quantity::Smoke;
        self::assertGreaterThanOrEqual($lowerIsWorse ? $reading->edge : $reading->safe, $lowerIsWorse ? $reading->safe : $reading->edge);
        if ($reading->used !== null) {
            self::assertGreaterThanOrEqual(0.0, $reading->used);
            self::assertGreaterThanOrEqual($reading->median - 1e-9, $reading->used);
            self::assertSame($reading->used > 1.0 + 1e-9, $reading->excess() > 1e-9);
        }
    }

    #[DataProvider('plans')]
    public function test_it_gives_the_same_again_and_with_what_was_kept(string $job, int $seed): void
    {
        $opened = self::bundle($job);
        $plan = self::plan($opened, $seed);
        $store = new FiguresInMemory;
        $once = Estimate::of($opened->withPlan($plan)->bundle, $store);
        self::assertEquals(EstimateDocument::of($once, $opened->units), EstimateDocument::of(Estimate::of($opened->withPlan($plan)->bundle, $store), $opened->units));
        self::assertSame(0, $store->computed[1]);
    }

    #[DataProvider('plans')]
    public function test_a_change_and_its_way_back_leave_the_estimate_as_it_was(string $job, int $seed): void
    {
        $opened = self::bundle($job);
        $plan = self::plan($opened, $seed);
        $last = $plan['stages'][count($plan['stages']) - 1]['key'];
        $there = Commands::apply($plan, [['do' => 'add-stage', 'name' => ''], ['do' => 'move-stage', 'stage' => $last, 'to' => $last]], $opened->bundle->catalog);
        $added = $there['stages'][count($there['stages']) - 1]['key'];
        $back = Commands::apply($there, [['do' => 'remove-stage', 'stage' => $added]], $opened->bundle->catalog);
        self::assertSame($plan, $back);
        $longer = Estimate::of($opened->withPlan($there)->bundle);
        $before = Estimate::of($opened->withPlan($plan)->bundle);
        self::assertEquals($before->last()->power, $longer->results[count($before->results) - 1]->power, 'a later stage moves no earlier one');
    }

    #[DataProvider('plans')]
    public function test_one_percent_of_ethanol_moves_nothing_by_more_than_three(string $job, int $seed): void
    {
        [$plan, $document] = [self::plan(self::bundle($job), $seed), self::document($job)];
        $with = function (float $points) use ($plan, $document): Estimate {
            foreach ($document['shop']['fuels'] as &$fuel) {
                if (isset($fuel['ethanol_percent'])) {
                    $fuel['ethanol_percent'] = array_map(fn (int|float $content): float => max(0.0, $content + $points), $fuel['ethanol_percent']);
                }
            }

            return Estimate::of(DocumentReader::standard()->open([...$document, 'plan' => $plan])->bundle);
        };
        [$as, $more, $less] = [$with(0.0), $with(1.0), $with(-1.0)];
        foreach ($as->results as $i => $result) {
            foreach ([$more, $less] as $other) {
                foreach ([[$result->power, $other->results[$i]->power], [$result->torque, $other->results[$i]->torque]] as [$before, $after]) {
                    self::assertEqualsWithDelta(1.0, $after->p50 / $before->p50, 0.03, "stage {$i}");
                    self::assertEqualsWithDelta(1.0, $after->p90 / $before->p90, 0.03, "stage {$i}");
                }
                foreach ($result->readings as $at => $reading) {
                    $then = $other->results[$i]->readings[$at];
                    self::assertSame($reading->limit->key, $then->limit->key);
                    // Of knock a share is 5 RON: a third of one.
                    $most = $reading->limit->quantity === Quantity::Knock ? 0.3 / QuantityTraits::STEP : 0.03 * max(1.0, (float) $reading->median);
                    self::assertEqualsWithDelta((float) $reading->median, (float) $then->median, $most, "stage {$i}: {$reading->limit->key}");
                }
            }
        }
    }

    #[DataProvider('plans')]
    public function test_a_stronger_car_asks_no_less_of_what_carries_it(string $job, int $seed): void
    {
        [$plan, $document] = [self::plan(self::bundle($job), $seed), self::document($job)];
        $with = function (float $times) use ($plan, $document): Estimate {
            foreach ($document['brief']['received']['baseline']['points'] as &$point) {
                $point = ['rpm' => $point['rpm'], 'torque' => $point['torque'] * $times];
            }

            return Estimate::of(DocumentReader::standard()->open([...$document, 'plan' => $plan])->bundle);
        };
        [$as, $stronger] = [$with(1.0), $with(1.05)];
        foreach ($as->results as $i => $result) {
            foreach ($result->readings as $at => $reading) {
                $then = $stronger->results[$i]->readings[$at];
                self::assertSame($reading->limit->key, $then->limit->key);
                // Air and heat are measured against the car as received, and a stronger one climbs at a smaller share of its power.
                if (! $reading->limit->quantity->isTorque() && ! $reading->limit->quantity->isPower() && $reading->limit->quantity !== Quantity::FuelFlow) {
                    continue;
                }
                self::assertGreaterThanOrEqual($reading->status->severity(), $then->status->severity(), "stage {$i}: {$reading->limit->key}");
                self::assertGreaterThanOrEqual((float) $reading->median - 1e-9, (float) $then->median, "stage {$i}: {$reading->limit->key}");
            }
        }
    }

    #[DataProvider('plans')]
    public function test_the_order_of_listing_changes_nothing(string $job, int $seed): void
    {
        [$plan, $document] = [self::plan(self::bundle($job), $seed), self::document($job)];
        $other = $document;
        $other['parts'] = array_reverse($document['parts']);
        foreach (['slots', 'limits', 'ceilings', 'families'] as $list) {
            if (array_is_list($document['platform'][$list] ?? [])) {
                $other['platform'][$list] = array_reverse($document['platform'][$list] ?? []);
            }
        }
        $as = Estimate::of(DocumentReader::standard()->open([...$document, 'plan' => $plan])->bundle);
        $listed = Estimate::of(DocumentReader::standard()->open([...$other, 'plan' => $plan])->bundle);
        foreach ($as->results as $i => $result) {
            foreach ([[$result->power->p10, $listed->results[$i]->power->p10], [$result->power->p90, $listed->results[$i]->power->p90], [$result->torque->p50, $listed->results[$i]->torque->p50]] as [$one, $two]) {
                self::assertEqualsWithDelta($one, $two, 1e-6 * $one, "stage {$i}");
            }
            $shares = fn (Estimate $of): array => array_map(fn (LimitReading $reading): float => round((float) $reading->used, 6), $of->results[$i]->readings);
            self::assertEqualsCanonicalizing($shares($as), $shares($listed), "stage {$i}");
        }
        self::assertSame($as->total()->likely, $listed->total()->likely);
    }

    /** @return array<string, mixed> */
    private static function document(string $job): array
    {
        return (new Folder(self::ROOT.'/demo', DocumentReader::standard()))->bundle($job);
    }

    /** Whatever is offered can be done; and all lines of the verdict find something over all the plans, so that nothing passes by offering nothing. */
    public function test_what_is_offered_as_a_fix_can_be_done_and_every_line_is_offered_one(): void
    {
        $offered = array_fill_keys(array_column(VerdictSubject::cases(), 'value'), 0);
        foreach (self::plans() as [$job, $seed]) {
            $document = (new Folder(self::ROOT.'/demo', DocumentReader::standard()))->bundle($job);
            $plan = self::plan(self::bundle($job), $seed);
            $document['plan'] = $plan;
            $document['brief']['budget'] = ['total' => 6000];
            $document['brief']['target'] = ['power' => self::justOutOfReach($document)];
            $opened = DocumentReader::standard()->open($document);
            $fixes = new Fixes(Estimate::of($opened->bundle), $plan, $opened->plan(...));
            foreach (VerdictSubject::cases() as $subject) {
                foreach ($fixes->of($subject) as $fix) {
                    $offered[$subject->value]++;
                    $after = Commands::apply($plan, $fix->commands, $opened->bundle->catalog);
                    self::assertNotEquals($plan, $after, (string) $fix->message->code->value);
                    Estimate::of($opened->withPlan($after)->bundle);
                }
            }
        }
        foreach ($offered as $subject => $count) {
            self::assertGreaterThan(0, $count, "no plan is offered anything for its {$subject}");
        }
    }

    /** @param  array<string, mixed>  $document */
    private static function justOutOfReach(array $document): float
    {
        $opened = DocumentReader::standard()->open($document);

        return ceil(Estimate::of($opened->bundle)->last()->power->p50 / $opened->units->power->watts()) + 1.0;
    }

    /** What the fingerprint leaves out may change no figure that is kept under it. */
    #[DataProvider('plans')]
    public function test_answers_that_are_no_input_change_no_kept_figure(string $job, int $seed): void
    {
        $folder = new Folder(__DIR__.'/../../demo', DocumentReader::standard());
        $document = $folder->bundle($job);
        $document['plan'] = self::plan(self::bundle($job), $seed);
        $brief = array_diff_key($document['brief'], array_flip(BriefPlaces::WITHOUT_FIGURES));
        $bare = DocumentReader::standard()->open([...$document, 'brief' => $brief]);
        $shop = ['name' => 'Other', 'currency' => 'NOK', 'labour_rate' => 1, 'dyno_rate' => 2, 'tax_percent' => 3, 'reserve_percent' => 4, 'margin_percent' => 5];
        $parts = array_map(fn (array $part): array => [...$part, 'price' => ['new' => 7, 'used' => 3, 'hours' => 9, 'as_of' => '2026-01-01']], $document['parts']);
        $full = DocumentReader::standard()->open([...$document, 'shop' => [...$document['shop'], ...$shop], 'parts' => $parts, 'brief' => [...$brief, 'budget' => ['total' => 1234], 'risk' => 'bold', 'fuels' => [], 'refuses' => ['lag', 'louder', 'cutting'], 'noise' => 'as-stock', 'inspection' => 'strict', 'warranty' => 'running', 'purpose' => 'x']]);
        self::assertSame($bare->bundle->fingerprint, $full->bundle->fingerprint);
        [$of, $other] = [new FiguresInMemory, new FiguresInMemory];
        Estimate::of($bare->bundle, $of);
        Estimate::of($full->bundle, $other);
        self::assertSame($of->kept, $other->kept);
    }
}
