<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\Libraries;
use App\Exceptions\Refused;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Job\NewJob;

/** Further plans of a job: made empty or from another, chosen to stand for it, deleted and taken back. */
final readonly class MakePlan
{
    public const MOST = 12;

    public function __construct(private SavePlan $save, private MarkJob $mark) {}

    /**
     * @param  ?Plan  $from  whose stages and library version it begins with; null for an empty one
     *
     * @throws Refused
     */
    public function make(CustomerJob $job, ?Plan $from, string $name, User $author): Plan
    {
        return DB::transaction(function () use ($job, $from, $name, $author): Plan {
            $job->setRawAttributes(CustomerJob::query()->lockForUpdate()->findOrFail($job->id)->getAttributes(), true);
            if ($job->plans()->count() >= self::MOST) {
                throw Refused::because('A job has at most '.self::MOST.' plans: delete one that is not needed.');
            }
            $library = $from->library ?? $job->car->platform->latest();
            $document = $from->document ?? NewJob::of(Libraries::content($library)['platform'], $job->shop->document)[1];

            return $this->save->first($job, $library, [...$document, 'name' => $name], $author, $from === null ? 'start' : 'start-from');
        });
    }

    /** It stands for the job on the counter and in the brief. */
    public function choose(CustomerJob $job, Plan $plan): void
    {
        DB::transaction(function () use ($job, $plan): void {
            $job->setRawAttributes(CustomerJob::query()->lockForUpdate()->findOrFail($job->id)->getAttributes(), true);
            $job->update(['plan_id' => $plan->id]);
            $this->mark->mark($job, $plan, Estimates::of(Bundles::of($plan->setRelation('job', $job))));
        });
    }

    /** @throws Refused for the one that stands for the job. */
    public function delete(Plan $plan): void
    {
        if ($plan->job->plan_id === $plan->id) {
            throw Refused::because('This is the current plan of the job: make another one current first.');
        }
        $plan->delete();
    }
}
