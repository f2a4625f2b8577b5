<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\StageLives;
use App\Exceptions\Refused;
use App\Models\Car;
use App\Models\CarFitting;
use App\Models\CustomerJob;
use App\Models\MileageReading;
use App\Models\Plan;
use App\Models\StageMark;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Life\StageLife;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Work\LedgerChange;
use Pebblerun\Core\Work\LedgerEntry;

/** Says how far a stage is. One that goes to the customer is kept whole as it went; one that is done is written into the car's ledger. */
final readonly class MarkStage
{
    public function __construct(private MarkJob $mark) {}

    /**
     * @param  StageLife  $was  as it showed
     * @param  string  $on  ISO 8601, today or before
     * @param  ?int  $km  of the car when it was done
     * @param  string  $stockPlace  where what came off lies
     *
     * @throws Refused
     */
    public function mark(Plan $plan, string $stage, StageLife $was, StageLife $to, string $on, ?int $km, string $stockPlace, User $author): void
    {
        DB::transaction(function () use ($plan, $stage, $was, $to, $on, $km, $stockPlace, $author): void {
            $job = CustomerJob::query()->with('shop')->lockForUpdate()->findOrFail($plan->customer_job_id);
            $plan->setRawAttributes(Plan::query()->findOrFail($plan->id)->getAttributes(), true)->setRelation('job', $job)->unsetRelation('marks');
            $number = $this->number($plan, $stage, $was, $to);
            $before = StageLives::of($plan)->marks[$stage] ?? null;
            $mark = StageMark::forceCreate(['plan_id' => $plan->id, 'stage' => $stage, 'life' => $to, 'marked_on' => $on, 'author_id' => $author->id, 'created_at' => now()]);
            $plan->unsetRelation('marks');
            $planned = PlannedStages::of(Bundles::of($plan)->bundle);
            match (true) {
                $to === StageLife::Proposed => $this->keepWhole($mark, $plan),
                $to === StageLife::Done => $this->enter($mark, $plan, $planned, $number, $km, $stockPlace),
                $before?->life === StageLife::Done => $this->takeBack($before, $plan, $planned->states[$number - 1]),
                default => null,
            };
            $this->mark->mark($job, $plan, Estimates::of(Bundles::of($plan)));
        });
    }

    /**
     * @return int of the stage, counted from 1
     *
     * @throws Refused
     */
    private function number(Plan $plan, string $stage, StageLife $was, StageLife $to): int
    {
        $place = array_search($stage, array_column($plan->document['stages'], 'key'), true);
        is_int($place) || throw Refused::because('This stage is no longer in the plan.');
        $lives = StageLives::of($plan);
        $here = $lives->at($stage);
        $here === $was || throw Refused::because(($lives->marks[$stage]->author->name ?? 'Somebody').' marked it "'.Terms::stageLife($here).'" meanwhile: look, and mark it again.');
        $why = $lives->lives()->hindrance($place + 1, $to);
        $why === null || throw Refused::because(Terms::lifeHindrance($why, $to, $place + 1));

        return $place + 1;
    }

    /** Figures, prices, rates and brief as they went to the customer: what changes later changes nothing of it. */
    private function keepWhole(StageMark $mark, Plan $plan): void
    {
        DB::table('sent_bundles')->insert(['stage_mark_id' => $mark->id, 'revision' => $plan->revision, 'bundle' => json_encode(Bundles::document($plan->job, $plan->library, $plan->document), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)]);
    }

    private function enter(StageMark $mark, Plan $plan, PlannedStages $planned, int $number, ?int $km, string $stockPlace): void
    {
        $car = Car::query()->lockForUpdate()->findOrFail($plan->job->car_id);
        if (CarFitting::query()->where('car_id', $car->id)->doesntExist()) {
            $this->write(LedgerChange::received($planned->states[0]), ['car_id' => $car->id, 'came_by' => $mark->id]);
        }
        $change = LedgerChange::of($planned->states[$number - 1], $planned->states[$number], $planned->bundle->plan->settings->priceBasis);
        CarFitting::query()->where('car_id', $car->id)->whereNull('left_on')->whereIn('part', array_map(fn (Part $part): string => $part->key, $change->off))->update(['left_on' => $mark->marked_on, 'left_by' => $mark->id]);
        $this->write($change->on, [
            'car_id' => $car->id, 'since' => $mark->marked_on, 'km' => $km, 'customer_job_id' => $plan->customer_job_id, 'stage' => $mark->stage,
            'stock_place' => $stockPlace, 'author_id' => $mark->author_id, 'came_by' => $mark->id,
        ]);
        $car->update(['fuel' => $planned->states[$number]->build->fuel->key]);
        if ($km !== null) {
            MileageReading::create(['car_id' => $car->id, 'stage_mark_id' => $mark->id, 'km' => $km, 'read_on' => $mark->marked_on]);
        }
    }

    /**
     * @param  list<LedgerEntry>  $entries
     * @param  array<string, mixed>  $row  what they have in common
     */
    private function write(array $entries, array $row): void
    {
        foreach ($entries as $entry) {
            CarFitting::forceCreate([...$row, 'part' => $entry->part->key, 'used' => $entry->used, 'own_work' => $entry->ownWork, 'created_at' => now()]);
        }
    }

    /** What it wrote goes, and what it took off stands there again. */
    private function takeBack(StageMark $done, Plan $plan, StageState $before): void
    {
        CarFitting::query()->where('came_by', $done->id)->delete();
        CarFitting::query()->where('left_by', $done->id)->update(['left_on' => null, 'left_by' => null]);
        MileageReading::query()->where('stage_mark_id', $done->id)->delete();
        Car::query()->whereKey($plan->job->car_id)->update(['fuel' => $before->build->fuel->key]);
    }
}
