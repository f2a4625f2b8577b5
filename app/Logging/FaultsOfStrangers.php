<?php

namespace App\Logging;

use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Throwable;

/**
 * What fails for somebody who is not signed in is told whole once an hour, and counted from then on: at the tenth, the hundredth, and so on.
 * Nobody fills a disk by making the same thing fail.
 */
final class FaultsOfStrangers
{
    /** s */
    private const FOR = 3600;

    /** @return bool whether it is told here, so that nothing else is to tell it */
    public static function told(Throwable $fault): bool
    {
        if (app()->runningInConsole() && ! app()->runningUnitTests()) {
            return false;
        }
        try {
            if (Auth::hasUser()) {
                return false;
            }
            $name = 'fault '.hash('xxh128', $fault::class."{$fault->getFile()}:{$fault->getLine()}");
            Cache::add($name, 0, self::FOR);
            $times = (int) Cache::increment($name);
        } catch (Throwable) {
            // Without a database nothing is counted, and nothing is told at length.
            Log::error($fault::class.' at '.basename($fault->getFile()).":{$fault->getLine()}");

            return true;
        }
        if ($times > 1 && (string) $times === '1'.str_repeat('0', strlen((string) $times) - 1)) {
            Log::error("{$times} times in an hour for strangers: ".$fault::class.' at '.basename($fault->getFile()).":{$fault->getLine()}");
        }

        return $times > 1;
    }
}
