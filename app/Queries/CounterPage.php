<?php

namespace App\Queries;

use App\Assembly\StageLives;
use App\Models\CustomerJob;
use App\Models\Platform;
use App\Models\StageMark;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Advice\NextStep;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Report\Terms;

/** The list of jobs on the counter. */
final readonly class CounterPage
{
    private const PAGE = 30;

    private const MANY = 500;

    public function __construct(private User $person) {}

    /** @return array<string, mixed> valid against counterPage of schemas/answers.json */
    public function of(CounterFilter $filter): array
    {
        $jobs = $this->found($filter->words, $filter->due)->with(['car.platform', 'car.customer', 'advisor', 'plan.library']);
        $rows = $this->sorted($jobs, $filter->sort)->offset(($filter->page - 1) * self::PAGE)->limit(self::PAGE + 1)->get();
        $summaries = CounterSummaries::of($rows->take(self::PAGE), $this->person);
        $lives = StageLives::latest(array_values(array_filter($rows->take(self::PAGE)->pluck('plan_id')->all())));
        $since = $this->priceLimit();

        return [
            'shop' => $this->person->shop->name,
            'asked' => ['q' => $filter->words, 'due' => $filter->due, 'sort' => $filter->sort, 'page' => $filter->page],
            'more' => $rows->count() > self::PAGE,
            'jobs' => $rows->take(self::PAGE)->map(fn (CustomerJob $job): array => [
                'id' => $job->id,
                'title' => $job->title,
                'customer' => $job->car->customer->name,
                'car' => $job->carInWords(),
                'advisor' => $job->advisor->name,
                'updated' => $job->updated_at->toIso8601String(),
                'due' => ['key' => $job->due->value, 'words' => self::words($job->due, $summaries[$job->id]['run'] ?? [])],
                'life' => self::life($job, $lives[(int) $job->plan_id] ?? null),
                'old_price' => $job->oldest_price !== null && $job->oldest_price < $since ? $job->oldest_price : null,
                'summary' => $summaries[$job->id] ?? null,
            ])->values(),
            'counts' => $this->counts(),
            'platforms' => Platform::query()->where('shop_id', $this->person->shop_id)->whereHas('versions')->orderBy('name')->get(['id', 'name'])->toArray(),
            'templates' => PlatformTemplates::of($this->person->shop),
            'units' => LibraryOptions::units($this->person->shop),
        ];
    }

    /** @return ?array{words: string, on: string} what was said last of its stages; null where nobody said anything */
    private static function life(CustomerJob $job, ?StageMark $mark): ?array
    {
        $place = $mark === null ? false : array_search($mark->stage, array_column($job->plan->document['stages'] ?? [], 'key'), true);

        return $mark === null || ! is_int($place) ? null : ['words' => 'stage '.($place + 1).' '.Terms::stageLife($mark->life), 'on' => $mark->marked_on];
    }

    /**
     * What is due; a plan past safe says so, though the customer's risk allows it.
     *
     * @param  list<array{status: string}>  $run  of the summary
     */
    private static function words(NextStep $due, array $run): string
    {
        $isPastSafe = array_filter($run, fn (array $stage): bool => Status::from($stage['status'])->isPastSafe()) !== [];

        return $due === NextStep::Ready && $isPastSafe ? Terms::readyAtBoldRisk() : Terms::nextStep($due);
    }

    /**
     * How many jobs wait for what, as far as anybody counts: beyond MANY it says so.
     *
     * @return list<array{key: string, words: string, count: int, many: bool}>
     */
    private function counts(): array
    {
        $entries = array_map(fn (NextStep $step): array => self::entry($step->value, Terms::nextStep($step), $this->jobs()->where('due', $step->value)), NextStep::cases());
        $entries[] = self::entry(CounterFilter::PRICE, Terms::oldPrices(), $this->jobs()->where('oldest_price', '<', $this->priceLimit()));
        $counts = DB::query();
        foreach ($entries as [$key, , $jobs]) {
            $counts->selectSub(DB::query()->selectRaw('count(*)')->fromSub($jobs->toBase()->selectRaw('1')->limit(self::MANY + 1), 'some'), $key);
        }
        $found = (array) $counts->first();

        return array_values(array_filter(array_map(fn (array $entry): array => [
            'key' => $entry[0], 'words' => $entry[1], 'count' => min(self::MANY, (int) $found[$entry[0]]), 'many' => $found[$entry[0]] > self::MANY,
        ], $entries), fn (array $entry): bool => $entry['count'] > 0));
    }

    /**
     * @param  Builder<CustomerJob>  $jobs
     * @return array{string, string, Builder<CustomerJob>}
     */
    private static function entry(string $key, string $words, Builder $jobs): array
    {
        return [$key, $words, $jobs];
    }

    /** @return Builder<CustomerJob> */
    private function found(string $words, ?string $due): Builder
    {
        $jobs = $this->jobs();
        foreach (array_filter(explode(' ', $words)) as $word) {
            $jobs->where('search', 'like', '%'.addcslashes($word, '%_\\').'%');
        }

        return match ($due) {
            null => $jobs,
            CounterFilter::PRICE => $jobs->where('oldest_price', '<', $this->priceLimit()),
            default => $jobs->where('due', $due),
        };
    }

    /**
     * @param  Builder<CustomerJob>  $jobs
     * @return Builder<CustomerJob>
     */
    private function sorted(Builder $jobs, string $sort): Builder
    {
        return match ($sort) {
            'customer' => $jobs->select('customer_jobs.*')->join('cars', 'cars.id', '=', 'customer_jobs.car_id')->join('customers', 'customers.id', '=', 'cars.customer_id')
                ->orderBy('customers.name')->orderBy('customer_jobs.id'),
            'title' => $jobs->orderBy('title')->orderBy('id'),
            default => $jobs->orderByDesc('updated_at')->orderByDesc('id'),
        };
    }

    /** @return Builder<CustomerJob> */
    private function jobs(): Builder
    {
        return CustomerJob::query()->where('customer_jobs.shop_id', $this->person->shop_id);
    }

    private function priceLimit(): string
    {
        return now($this->person->shop->timeZone())->subDays(NextStep::PRICE_DAYS)->toDateString();
    }
}
