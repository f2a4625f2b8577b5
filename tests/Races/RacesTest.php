<?php

namespace Tests\Races;

use App\Actions\Edit;
use App\Actions\EditBrief;
use App\Actions\EditPlan;
use App\Actions\StartJob;
use App\Actions\Step;
use App\Assembly\BriefSheet;
use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Exceptions\Refused;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Events\TransactionCommitted;
use Illuminate\Database\Events\TransactionCommitting;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Job\Brief\BriefPlaces;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\PlanDraft;
use Pebblerun\Core\Job\Commands\PlanPlaces;
use Pebblerun\Formats\InvalidDocument;
use Random\Engine\Mt19937;
use Random\Randomizer;
use stdClass;

/**
 * A hundred seeded rounds: eight writers at one job, each sending every request over two connections at the same time, some of
 * them killed wherever they are. Afterwards the rows are held against a model: every request has one outcome, which everybody was
 * told; what was done was done once; and nobody overwrote what they had not seen.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final class RacesTest extends ProcessCase
{
    private const ROUNDS = 100;

    private const WRITERS = 8;

    /** Between the last statement and the commit, and between the commit and the answer. */
    private const MOMENTS = [TransactionCommitting::class, TransactionCommitted::class];

    /** @var list<Writer> two for each of the eight */
    private array $writers = [];

    protected function setUp(): void
    {
        parent::setUp();
        foreach (Platform::query()->orderBy('id')->get() as $platform) {
            $answered = CustomerJob::query()->where('due', '!=', 'brief')->whereHas('car', fn (Builder $cars) => $cars->where('platform_id', $platform->id))->first();
            $job = app(StartJob::class)->forNew($platform, 'Wil Ostrand', 'Yard truck', User::query()->with('shop')->orderBy('id')->firstOrFail());
            $job->update(['brief' => $answered->brief ?? $job->brief]);
        }
        for ($i = 0; $i < 2 * self::WRITERS; $i++) {
            $this->writers[] = new Writer(self::outcome(...));
        }
    }

    protected function tearDown(): void
    {
        foreach ($this->writers as $writer) {
            $writer->end();
        }
        parent::tearDown();
    }

    /** @param  array<string, mixed>  $request */
    private static function outcome(array $request): int
    {
        $edit = new Edit(User::query()->with('shop')->whereKey($request['person'])->sole(), $request['request'], $request['queue'], $request['seen'], hash('xxh128', (string) json_encode($request['asked'])));
        if ($request['dies'] !== null) {
            Event::listen($request['dies'], fn () => posix_kill(posix_getpid(), SIGKILL));
        }
        try {
            $request['document'] === 'brief' ? self::editBrief($request, $edit) : self::editPlan($request, $edit);

            return 200;
        } catch (Refused $refused) {
            return $refused->status;
        } catch (CoreException|InvalidDocument) {
            return 422;
        } finally {
            array_map(Event::forget(...), self::MOMENTS);
        }
    }

    /** @param  array<string, mixed>  $request */
    private static function editBrief(array $request, Edit $edit): void
    {
        app(EditBrief::class)->answer(CustomerJob::query()->with('shop')->whereKey($request['job'])->sole(), $edit, $request['asked']['answers']);
    }

    /** @param  array<string, mixed>  $request */
    private static function editPlan(array $request, Edit $edit): void
    {
        $plan = Plan::query()->with('job.shop', 'library')->whereKey($request['plan'])->sole();
        $step = $request['asked']['step'] ?? null;
        $step === null ? app(EditPlan::class)->commands($plan, $edit, $request['asked']['commands']) : app(EditPlan::class)->step($plan, $edit, new Step($step['do'], $step['of']));
    }

    public function test_every_request_has_one_outcome_and_nothing_is_overwritten_unseen(): void
    {
        // New ones, whose short plans take no time to estimate: what is raced for is the rows.
        $jobs = CustomerJob::query()->where('title', 'Yard truck')->orderBy('id')->pluck('plan_id', 'id')->all() ?: self::fail('there is no job');
        $people = array_values(User::query()->orderBy('id')->pluck('id')->all());
        $kills = $deaths = $refusals = $done = 0;
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            $random = new Randomizer(new Mt19937($round));
            $job = $random->pickArrayKeys($jobs, 1)[0];
            $requests = $this->requests($random, $round, (int) $job, (int) $jobs[$job], $people);
            $start = [CustomerJob::query()->findOrFail($job)->brief, (int) Plan::query()->whereKey($jobs[$job])->value('revision')];
            [$told, $killed, $died] = $this->race($random, $requests);
            $kills += $killed;
            $deaths += $died;
            $outcomes = $this->outcomes($requests, $told);
            $done += count(array_keys($outcomes, 200));
            $refusals += count($outcomes) - count(array_keys($outcomes, 200));
            $this->holdPlan((int) $jobs[$job], $start[1], $requests, $outcomes, "round {$round}");
            $this->holdBrief((int) $job, $start[0], $requests, $outcomes, "round {$round}");
        }
        self::assertGreaterThan(30, $done);
        self::assertGreaterThan(30, $refusals);
        self::assertGreaterThan(100, $kills);
        self::assertGreaterThan(50, $deaths);
    }

    /**
     * @param  list<int>  $people
     * @return list<list<array<string, mixed>>> for each writer
     */
    private function requests(Randomizer $random, int $round, int $job, int $plan, array $people): array
    {
        $version = CustomerJob::query()->findOrFail($job)->version;
        $row = Plan::query()->with('job.shop', 'library')->findOrFail($plan);
        $parts = $this->parts($row);
        $lists = [];
        for ($writer = 0; $writer < self::WRITERS; $writer++) {
            $list = [];
            for ($i = 0, $count = $random->getInt(0, 3) === 0 ? 2 : 1; $i < $count; $i++) {
                $document = $random->getInt(0, 2) === 0 ? 'brief' : 'plan';
                $list[] = [
                    'request' => sprintf('a%07x%08x%016x', $round, $writer, $i), 'queue' => sprintf('%016x', $writer), 'seen' => $version, 'person' => $people[$writer % count($people)],
                    'document' => $document, 'job' => $job, 'plan' => $plan, 'dies' => $random->getInt(0, 9) === 0 ? self::MOMENTS[$random->getInt(0, 1)] : null,
                    'asked' => $document === 'brief' ? ['answers' => self::answers($random)] : self::change($random, $row, $parts, "{$round}-{$writer}-{$i}"),
                ];
            }
            $lists[] = $list;
        }

        return $lists;
    }

    /** @return list<string> parts of the platform that make no power */
    private function parts(Plan $plan): array
    {
        $all = Bundles::of($plan)->bundle->catalog->parts->all();

        return array_slice(array_values(array_map(fn (Part $part): string => $part->key, array_filter($all, fn (Part $part): bool => $part->isSupporting()))), 0, 6);
    }

    /** @return non-empty-list<array{place: string, value: mixed}> */
    private static function answers(Randomizer $random): array
    {
        $all = ['budget.total' => 100 * $random->getInt(1, 20), 'risk' => ['cautious', 'normal', 'bold'][$random->getInt(0, 2)], 'purpose' => "Purpose {$random->getInt(1, 9)}", 'title' => "Title {$random->getInt(1, 9)}", 'customer.contact' => "555 01{$random->getInt(10, 19)}", 'use' => 'moon'];
        $places = $random->pickArrayKeys($all, $random->getInt(1, 2));

        return array_map(fn (string $place): array => ['place' => $place, 'value' => $all[$place]], $places);
    }

    /**
     * @param  list<string>  $parts
     * @return array<string, mixed>
     */
    private static function change(Randomizer $random, Plan $plan, array $parts, string $name): array
    {
        $stages = array_column($plan->document['stages'], 'key');
        $stage = $stages[$random->getInt(0, count($stages) - 1)];
        $room = count($stages) < 4;

        return match ($random->getInt(0, 8)) {
            0 => ['step' => ['do' => 'undo', 'of' => $plan->revision]],
            8 => ['step' => ['do' => 'restore', 'of' => $random->getInt(1, $plan->revision)]],
            1 => ['commands' => [$room ? ['do' => 'add-stage', 'key' => "s-{$name}", 'name' => ''] : ['do' => 'remove-stage', 'stage' => $stage]]],
            2 => ['commands' => [['do' => 'fit', 'stage' => $stage, 'part' => $parts[$random->getInt(0, count($parts) - 1)]]]],
            3 => ['commands' => [['do' => 'settings', 'price_basis' => $random->getInt(0, 1) === 0 ? 'used' : 'new'], ['do' => 'rename-stage', 'stage' => $stage, 'name' => $name]]],
            4 => ['commands' => [['do' => 'fit', 'stage' => $stage, 'part' => 'no-such-part']]],
            5 => ['commands' => [['do' => 'rename-plan', 'name' => "Plan {$random->getInt(1, 9)}"]]],
            default => ['commands' => [['do' => 'rename-stage', 'stage' => $stage, 'name' => $name]]],
        };
    }

    /**
     * @param  list<list<array<string, mixed>>>  $lists
     * @return array{array<string, list<int>>, int, int} statuses told by request, how many were killed wherever they were, and how many at a commit
     */
    private function race(Randomizer $random, array $lists): array
    {
        foreach ($this->writers as $i => $writer) {
            $writer->tell($lists[intdiv($i, 2)]);
        }
        $told = [];
        $kills = $deaths = 0;
        $end = hrtime(true) + 600_000_000_000;
        // Wherever it is: reading, working it out, between two statements, around the commit.
        $at = $random->getInt(0, 2) === 0 ? [] : array_map(fn (): array => [$random->getInt(0, 60), $random->getInt(0, count($this->writers) - 1)], range(1, $random->getInt(1, 3)));
        $began = hrtime(true);
        do {
            usleep(500);
            foreach ($at as $k => [$after, $which]) {
                if (hrtime(true) - $began > $after * 1_000_000) {
                    $this->writers[$which]->kill();
                    unset($at[$k]);
                    $kills++;
                }
            }
            foreach ($this->writers as $writer) {
                $deaths += (int) $writer->hasDied();
                foreach ($writer->hear() as [$request, $status]) {
                    $told[$request][] = $status;
                }
            }
            self::assertLessThan($end, hrtime(true), 'a writer never came back');
        } while ($at !== [] || array_filter($this->writers, fn (Writer $writer): bool => ! $writer->waits()) !== []);

        return [$told, $kills, $deaths];
    }

    /**
     * One outcome for each request, and the one that everybody was told.
     *
     * @param  list<list<array<string, mixed>>>  $lists
     * @param  array<string, list<int>>  $told
     * @return array<string, int> by request
     */
    private function outcomes(array $lists, array $told): array
    {
        $names = array_column(array_merge(...$lists), 'request');
        $kept = array_column(DB::select('select request, status from edits where request = any(?)', ['{'.implode(',', $names).'}']), 'status', 'request');
        foreach ($names as $name) {
            self::assertSame([$kept[$name] ?? 'none'], array_values(array_unique($told[$name])), "request {$name}");
        }
        self::assertCount(count($names), $kept);

        return $kept;
    }

    /**
     * @param  list<list<array<string, mixed>>>  $lists
     * @param  array<string, int>  $outcomes
     */
    private function holdPlan(int $id, int $before, array $lists, array $outcomes, string $where): void
    {
        $plan = Plan::query()->with('job.shop', 'library')->findOrFail($id);
        $catalog = Bundles::of($plan)->bundle->catalog;
        $revisions = $plan->revisions()->where('number', '>=', $before)->orderBy('number')->get();
        $asked = array_column(array_merge(...$lists), null, 'request');
        $wanted = array_keys(array_filter($outcomes, fn (int $status, string $request): bool => $status === 200 && $asked[$request]['document'] === 'plan', ARRAY_FILTER_USE_BOTH));
        self::assertEqualsCanonicalizing($wanted, $revisions->slice(1)->pluck('request')->all(), "{$where}: done once each");
        self::assertSame(range($before, $plan->revision), $revisions->pluck('number')->all());
        $touched = [];
        $seen = $was = $revisions->firstOrFail()->document;
        foreach ($revisions->slice(1) as $revision) {
            $request = $asked[$revision->request];
            if (isset($request['asked']['commands'])) {
                self::assertEquals(Commands::apply($was, $request['asked']['commands'], $catalog), $revision->document, "{$where}: each is what it asked, on what the one before left");
            }
            $here = $this->places($was, $revision->document, $catalog);
            // What somebody did and took back stands as everybody saw it: nothing of it is left to be overwritten, then or later.
            $stands = $this->places($seen, $was, $catalog);
            foreach ($touched as $at => [$queue, $places]) {
                $touched[$at][1] = $left = array_intersect_key($places, $stands);
                if ($queue !== $revision->queue) {
                    self::assertSame([], array_keys(PlanPlaces::shared($left, $here)), "{$where}: {$revision->request} overwrote unseen");
                }
            }
            $touched[] = [$revision->queue, $here];
            $was = $revision->document;
        }
        self::assertEquals($plan->revisions()->where('number', $plan->revision)->sole()->document, $plan->document, $where);
        self::assertGreaterThanOrEqual($revisions->max('version'), $plan->job->version);
    }

    /**
     * @param  PlanDocument  $before
     * @param  PlanDocument  $after
     * @return array<string, \Pebblerun\Core\Job\Commands\Description>
     */
    private function places(array $before, array $after, Catalog $catalog): array
    {
        return (new PlanPlaces($catalog))->changed($before, $after);
    }

    /**
     * @param  array<string, mixed>  $before
     * @param  list<list<array<string, mixed>>>  $lists
     * @param  array<string, int>  $outcomes
     */
    private function holdBrief(int $id, array $before, array $lists, array $outcomes, string $where): void
    {
        $asked = array_values(array_filter(array_merge(...$lists), fn (array $one): bool => $one['document'] === 'brief' && $outcomes[$one['request']] === 200));
        $job = CustomerJob::query()->with('car.customer')->findOrFail($id);
        $rows = $asked === [] ? [] : DB::select('select queue, document from brief_revisions where customer_job_id = ? order by number desc limit '.count($asked), [$id]);
        self::assertEqualsCanonicalizing(array_column($asked, 'queue'), array_map(fn (stdClass $row): string => $row->queue, $rows), "{$where}: every answer once");
        $writers = [];
        foreach ($asked as $request) {
            foreach ($request['asked']['answers'] as $answer) {
                $writers[$answer['place']][] = [$request['queue'], $answer['value']];
            }
        }
        $sheet = new BriefSheet($job);
        foreach ($writers as $place => $those) {
            self::assertContains($sheet->value($place), array_column($those, 1), "{$where}: {$place} is what somebody gave");
            // All had seen the same: of different queues only those could write who agreed.
            $last = [];
            foreach ($those as [$queue, $value]) {
                $last[$queue][] = $value;
            }
            foreach ($last as $queue => $values) {
                foreach ($last as $other => $others) {
                    self::assertTrue($queue === $other || array_intersect($values, $others) !== [], "{$where}: {$place} was overwritten unseen");
                }
            }
        }
        $plan = $job->chosenPlan();
        self::assertSame(Estimates::of(Bundles::of($plan->setRelation('job', $job)))->due($job->brief), $job->due, "{$where}: what is due is told by the brief and the plan that stand");
        $untouched = array_diff_key(BriefPlaces::changed($before, $job->brief), $writers);
        self::assertSame([], $untouched, "{$where}: nothing else changed");
    }
}
