<?php

namespace App\Actions;

use App\Assembly\Estimates;
use App\Assembly\StageLives;
use App\Exceptions\Overtaken;
use App\Models\CustomerJob;
use App\Models\Plan;
use Illuminate\Support\Facades\DB;

/** Raises a job's version with every change of its brief or its plans, and writes on it what is due and what it is found by. */
final class MarkJob
{
    /** What a job is found by. */
    private const SEARCH = <<<'SQL'
        lower(concat_ws(' ', customer_jobs.title, customers.name, customers.contact, platforms.name, customer_jobs.brief #>> '{car,year}',
            customer_jobs.brief #>> '{car,registration}', nullif(cars.registration, customer_jobs.brief #>> '{car,registration}'), cars.chassis_number))
        SQL;

    private const ROWS = 'from cars join customers on customers.id = cars.customer_id join platforms on platforms.id = cars.platform_id where cars.id = customer_jobs.car_id';

    /** Gives the new version, or no row when the brief was saved since the job was read. */
    public const STATEMENT = 'update customer_jobs set version = nextval(\'versions\'), updated_at = ?, due = coalesce(?, due), oldest_price = case when ? then ?::date else oldest_price end, search = '.self::SEARCH
        .' '.self::ROWS.' and customer_jobs.id = ? and brief_revision = ? returning version';

    /**
     * The values of STATEMENT.
     *
     * @param  ?Plan  $plan  that was estimated; what is due is told by the one that stands for the job
     * @param  ?array<string, mixed>  $document  of that plan as it will be; null: as it is
     * @return list<mixed>
     */
    public static function values(CustomerJob $job, ?Plan $plan, Estimates $estimates, ?array $document = null): array
    {
        $isChosen = $plan === null || $job->plan_id === null || $job->plan_id === $plan->id;
        $plan = $isChosen ? $plan ?? $job->plan : null;

        return [now(), $plan === null ? null : $estimates->due($job->brief)->amid(StageLives::of($plan, $document)->lives()->job())->value, $isChosen, $estimates->oldestPrice(), $job->id, $job->brief_revision];
    }

    /** @throws Overtaken when the brief was saved since the job was read. */
    public function mark(CustomerJob $job, ?Plan $plan, Estimates $estimates): void
    {
        $row = DB::selectOne(self::STATEMENT, self::values($job, $plan, $estimates)) ?? throw new Overtaken;
        $job->version = $row->version;
        $job->syncOriginalAttribute('version');
    }

    /** After a customer or a car was changed: all their jobs are found by it. */
    public function refind(int $customer): void
    {
        DB::select('select j.id from customer_jobs j join cars c on c.id = j.car_id where c.customer_id = ? order by j.id for no key update of j', [$customer]);
        DB::update('update customer_jobs set version = nextval(\'versions\'), search = '.self::SEARCH.' '.self::ROWS.' and customers.id = ?', [$customer]);
    }
}
