<?php

namespace App\Queries;

use App\Assembly\Reading;
use App\Assembly\Summaries;
use App\Models\CustomerJob;
use App\Models\User;
use Illuminate\Support\Collection;

/** What the counter shows of the plans of some jobs, as far as it is kept and right; what is not is worked out in the background. */
final class CounterSummaries
{
    /**
     * @param  Collection<int, CustomerJob>  $jobs  with their plans and library versions
     * @return array<int, array<string, mixed>> by job
     */
    public static function of(Collection $jobs, User $reader): array
    {
        $keys = $subjects = [];
        foreach ($jobs as $job) {
            $plan = $job->setRelation('shop', $reader->shop)->plan;
            if ($plan !== null) {
                $keys["plan {$plan->id}"] = Summaries::key($job, $plan->library, $plan->document);
                $subjects[$job->id] = "plan {$plan->id}";
            }
        }
        $known = Summaries::known($keys, Reading::of($reader));

        return array_filter(array_map(fn (string $subject): ?array => $known[$subject] ?? null, $subjects));
    }
}
