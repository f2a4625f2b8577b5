<?php

namespace App\Assembly;

use App\Models\Car;
use App\Models\CarFitting;
use App\Models\CustomerJob;
use App\Models\User;

/** What is on a car, since when and from which job. */
final class CarLedger
{
    /** @return list<string> keys of what is on it now, the earliest first */
    public static function fitted(int $car): array
    {
        return array_values(CarFitting::query()->where('car_id', $car)->whereNull('left_on')->orderByRaw('since nulls first')->orderBy('id')->pluck('part')->map(strval(...))->all());
    }

    /**
     * What is on it and what was, the latest first.
     *
     * @param  array<string, string>  $names  of parts, by key
     * @return list<array<string, mixed>> valid against carLedger of schemas/answers.json
     */
    public static function of(Car $car, array $names): array
    {
        $rows = CarFitting::query()->with('author', 'job')->where('car_id', $car->id)->orderByRaw('left_on is not null')->orderByRaw('since desc nulls last')->orderByDesc('id')->get();

        return array_values($rows->map(fn (CarFitting $one): array => [
            'id' => $one->id,
            'part' => $names[$one->part] ?? $one->part,
            'since' => $one->since,
            'km' => $one->km,
            'job' => $one->job?->title,
            'used' => $one->used,
            'by' => $one->own_work ? 'the customer' : ($one->author->name ?? ''),
            'stock_place' => $one->stock_place,
            'left_on' => $one->left_on,
        ])->all());
    }

    /**
     * The car was looked at, and something else is on it. A car that has no ledger yet gets none by that: its brief says it all.
     *
     * @param  list<string>  $fitted  keys of parts
     */
    public static function correct(CustomerJob $job, array $fitted, User $author): void
    {
        $had = self::fitted($job->car_id);
        $isNewest = CustomerJob::query()->where('car_id', $job->car_id)->where('id', '>', $job->id)->doesntExist();
        if (! $isNewest || CarFitting::query()->where('car_id', $job->car_id)->doesntExist() || CarFitting::query()->where('customer_job_id', $job->id)->exists()) {
            return;
        }
        CarFitting::query()->where('car_id', $job->car_id)->whereNull('left_on')->whereIn('part', array_diff($had, $fitted))->update(['left_on' => $job->shop->today()]);
        foreach (array_diff($fitted, $had) as $part) {
            CarFitting::forceCreate(['car_id' => $job->car_id, 'part' => $part, 'customer_job_id' => null, 'author_id' => $author->id, 'created_at' => now()]);
        }
    }
}
