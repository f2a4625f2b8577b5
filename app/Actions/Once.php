<?php

namespace App\Actions;

use App\Exceptions\Refused;
use App\Models\Shop;
use Closure;
use Illuminate\Support\Facades\DB;

/**
 * What is sent again because its answer was lost is not done again: its name is noted in the transaction that does it. Plans and briefs have
 * outcomes of their own (OneOutcome).
 */
final class Once
{
    /**
     * @param  ?string  $request  its name; null is done each time
     * @param  mixed  $asked  what is asked under it
     * @param  Closure(): mixed  $do  what it is called that came of it, where that matters
     * @return ?string what came of it, now or then
     *
     * @throws Refused where the name was used for something else.
     */
    public function do(Shop $shop, ?string $request, mixed $asked, Closure $do): ?string
    {
        return DB::transaction(function () use ($shop, $request, $asked, $do): ?string {
            if ($request === null) {
                return self::result($do());
            }
            if ($this->isNew($shop, $request, hash('xxh128', (string) json_encode($asked)))) {
                $result = self::result($do());
                DB::table('requests_done')->where('shop_id', $shop->id)->where('request', $request)->update(['result' => $result]);
            }

            return DB::table('requests_done')->where('shop_id', $shop->id)->where('request', $request)->value('result');
        });
    }

    private static function result(mixed $came): ?string
    {
        return is_string($came) ? $came : null;
    }

    private function isNew(Shop $shop, string $request, string $asked): bool
    {
        // Of two at once the second waits for the first, and finds its name.
        if (DB::table('requests_done')->insertOrIgnore(['shop_id' => $shop->id, 'request' => $request, 'asked' => $asked, 'done_at' => now()]) === 1) {
            return true;
        }
        DB::table('requests_done')->where('shop_id', $shop->id)->where('request', $request)->value('asked') === $asked || throw Refused::reused($request);

        return false;
    }
}
