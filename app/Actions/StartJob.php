<?php

namespace App\Actions;

use App\Assembly\Libraries;
use App\Models\CustomerJob;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Job\NewJob;

/** Opens a job for a customer: a brief with nothing asked yet, and a plan of one empty stage. */
final readonly class StartJob
{
    public function __construct(private SavePlan $save) {}

    public function start(Platform $platform, string $customer, string $title, User $advisor): CustomerJob
    {
        return DB::transaction(function () use ($platform, $customer, $title, $advisor): CustomerJob {
            $library = $platform->versions()->orderByDesc('number')->firstOrFail();
            $content = Libraries::content($library);
            [$brief, $plan] = NewJob::of($content['platform'], $advisor->shop->document);
            $job = CustomerJob::create([
                'shop_id' => $platform->shop_id,
                'platform_id' => $platform->id,
                'advisor_id' => $advisor->id,
                'title' => $title,
                'customer' => $customer,
                'brief' => $brief,
            ]);
            $job->setRelation('shop', $advisor->shop)->briefRevisions()->create(['number' => 1, 'document' => $brief, 'author_id' => $advisor->id]);
            $this->save->first($job->refresh()->load('shop'), $library, $plan, $advisor);

            return $job;
        });
    }
}
