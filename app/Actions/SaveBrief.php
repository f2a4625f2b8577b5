<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\Summaries;
use App\Exceptions\OutdatedBrief;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\User;
use Closure;
use Illuminate\Support\Facades\DB;

/** Writes a brief as its next revision and brings the plan's summary up to date. */
final readonly class SaveBrief
{
    public function __construct(private MarkJob $mark) {}

    /**
     * @param  array<string, mixed>  $brief  the brief format without its head
     * @throws OutdatedBrief
     */
    public function save(CustomerJob $job, int $basedOn, array $brief, string $title, string $customer, User $author): Estimates
    {
        return $this->hold($job, function () use ($job, $basedOn, $brief, $title, $customer, $author): Estimates {
            if ($job->brief_revision !== $basedOn) {
                throw new OutdatedBrief($job);
            }
            $job->fill(['title' => $title, 'customer' => $customer]);

            return $this->write($job, self::stamped($brief, $job->brief, $author), $author);
        });
    }

    /** Target or budget dragged on the run change their one answer, whatever else was answered meanwhile. */
    public function changeTarget(CustomerJob $job, ?float $power, ?float $budget, User $author): Plan
    {
        return $this->hold($job, function () use ($job, $power, $budget, $author): Plan {
            $brief = $job->brief;
            if ($power !== null) {
                $brief['target'] = ['power' => $power];
            }
            if ($budget !== null) {
                $brief['budget'] = [...($brief['budget'] ?? []), 'total' => $budget];
            }

            $this->write($job, $brief, $author);

            return $job->benchPlan();
        });
    }

    /**
     * @template T
     *
     * @param  Closure(): T  $change
     * @return T
     */
    private function hold(CustomerJob $job, Closure $change): mixed
    {
        return DB::transaction(function () use ($job, $change): mixed {
            $row = CustomerJob::query()->lockForUpdate()->findOrFail($job->id);
            $job->setRawAttributes($row->getAttributes(), true);

            return $change();
        });
    }

    /** @param  array<string, mixed>  $brief */
    private function write(CustomerJob $job, array $brief, User $author): Estimates
    {
        $plan = $job->benchPlan();
        $job->fill(['brief' => $brief, 'brief_revision' => $job->brief_revision + 1])->save();
        $job->briefRevisions()->create(['number' => $job->brief_revision, 'document' => $brief, 'author_id' => $author->id]);
        $estimate = Estimates::of(Bundles::of($plan));
        $plan->update(['summary' => Summaries::of($estimate->document), 'figures' => $estimate->figures]);
        $this->mark->mark($job, $estimate);

        return $estimate;
    }

    /**
     * Who gave a warning, and when, is written here and not by the page; what was given before stays as it was.
     *
     * @param  array<string, mixed>  $brief
     * @param  array<string, mixed>  $before
     * @return array<string, mixed>
     */
    private static function stamped(array $brief, array $before, User $author): array
    {
        if (! isset($brief['warnings']) || ! is_array($brief['warnings'])) {
            return $brief;
        }
        /** @var array<string, array<string, string>> $known */
        $known = array_column(is_array($before['warnings'] ?? null) ? $before['warnings'] : [], null, 'warning');
        $brief['warnings'] = array_map(
            fn (array $given): array => $known[$given['warning']] ?? ['warning' => $given['warning'], 'on' => $author->shop->today(), 'by' => $author->name],
            $brief['warnings'],
        );

        return $brief;
    }
}
