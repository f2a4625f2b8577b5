<?php

namespace App\Jobs;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\Reading;
use App\Assembly\StageLives;
use App\Assembly\Summaries;
use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\Shop;
use App\Models\Task;
use Illuminate\Database\Eloquent\Builder;
use Pebblerun\Core\CoreException;

/**
 * What the counter shows of plans, in the units of one reader: of some jobs, of all on a platform, or of all of a shop. The subject says
 * which: {"reads": {units and numerals}, "jobs": [ids] or null, "platform": id or null}.
 */
final class WorkOutSummaries extends TaskJob
{
    public const KIND = 'summaries';

    /** @param  ?list<int>  $jobs  null for all */
    public static function subject(Reading $reading, ?array $jobs, ?int $platform = null): string
    {
        return json_encode(['reads' => $reading->toArray(), 'jobs' => $jobs, 'platform' => $platform], JSON_THROW_ON_ERROR);
    }

    protected function steps(Task $task): iterable
    {
        /** @var array{reads: array<string, string>, jobs: ?list<int>, platform?: ?int} $subject */
        $subject = json_decode($task->subject, true);
        $reading = Reading::known($subject['reads']);
        $shop = Shop::query()->findOrFail($task->shop_id);
        $platform = $subject['platform'] ?? null;
        $plans = Plan::query()->whereIn('id', CustomerJob::query()->where('shop_id', $shop->id)->when($subject['jobs'] !== null, fn (Builder $jobs) => $jobs->whereKey($subject['jobs']))->select('plan_id'))
            ->when($platform !== null, fn (Builder $plans) => $plans->whereIn('library_version_id', LibraryVersion::query()->where('platform_id', $platform)->select('id')));
        $task->of = (clone $plans)->count();
        $done = 0;
        $fault = null;
        foreach ($plans->with('job', 'library')->lazyByIdDesc(50) as $plan) {
            $plan->job->setRelation('shop', $shop);
            try {
                self::workOut($plan, $reading);
            } catch (CoreException $first) {
                // One plan that cannot be estimated keeps no other from being.
                $fault ??= $first;
            }
            yield ++$done;
        }
        $fault === null || throw $fault;
    }

    /** One that is kept and right is left as it is. */
    private static function workOut(Plan $plan, Reading $reading): void
    {
        $subject = "plan {$plan->id}";
        $key = Summaries::key($plan->job, $plan->library, $plan->document);
        if (Summaries::known([$subject => $key], $reading) === []) {
            $estimates = Estimates::of(Bundles::of($plan));
            Summaries::keep($subject, $reading, $key, $estimates->summary($reading));
            self::mark($plan, $estimates);
        }
    }

    /** What is due for its job, and how old its prices are, may be other than when it was saved last: a price is newer, a day is gone. */
    private static function mark(Plan $plan, Estimates $estimates): void
    {
        CustomerJob::query()->toBase()->where('id', $plan->customer_job_id)->where('plan_id', $plan->id)->where('brief_revision', $plan->job->brief_revision)
            ->update(['due' => $estimates->due($plan->job->brief)->amid(StageLives::of($plan)->lives()->job())->value, 'oldest_price' => $estimates->oldestPrice()]);
    }
}
