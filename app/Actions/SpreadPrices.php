<?php

namespace App\Actions;

use App\Assembly\CurrentPrices;
use App\Assembly\Reading;
use App\Jobs\WorkOutSummaries;
use App\Models\Platform;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;

/** Lets everything that shows money know that it is another: open benches by their job's version, counter and what is due in the background. */
final readonly class SpreadPrices
{
    private const RENAMED = 'update library_versions set fingerprint = md5(content || ?), priced_at = now() where platform_id = ? and fingerprint <> md5(content || ?) returning id';

    /** In one order, so that two never wait for each other. */
    private const TOLD = "with open as (
            select id from customer_jobs j where shop_id = ? and (?::bigint is null or exists (select from plans p join library_versions v on v.id = p.library_version_id where p.customer_job_id = j.id and p.deleted_at is null and v.platform_id = ?))
            order by id for no key update)
        update customer_jobs set version = nextval('versions') from open where open.id = customer_jobs.id";

    public function __construct(private StartTask $tasks) {}

    /**
     * Names every version anew of the platforms that these parts fit: what rests on earlier prices is no longer found. Inside a transaction
     * that holds the shop's library, or two at once would each miss the other's price.
     *
     * @param  list<int>  $parts  whose prices may be others
     */
    public function of(array $parts): void
    {
        foreach (Platform::query()->whereIn('id', DB::table('fitments')->whereIn('part_id', $parts)->select('platform_id'))->orderBy('id')->get() as $platform) {
            $hash = CurrentPrices::hash(CurrentPrices::of($platform->id));
            if (DB::select(self::RENAMED, [$hash, $platform->id, $hash]) !== []) {
                $this->tell(Shop::query()->findOrFail($platform->shop_id), $platform->id);
            }
        }
    }

    /** After what the shop charges was changed. Inside a transaction that holds the shop's row. */
    public function ofShop(Shop $shop): void
    {
        $this->tell($shop, null);
    }

    private function tell(Shop $shop, ?int $platform): void
    {
        if (DB::update(self::TOLD, [$shop->id, $platform, $platform]) > 0) {
            $this->tasks->again(WorkOutSummaries::class, WorkOutSummaries::KIND, WorkOutSummaries::subject(Reading::ofShop($shop), null, $platform), $shop->id);
        }
    }
}
