<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Security\NamedShop;

/**
 * Asks the process that estimates with what it remembers of a car (`pebblerun:estimator`). Where it is not there, is busy for too
 * long or runs other rules, nothing is lost: who asked estimates for itself and comes to the same figures.
 *
 * @phpstan-import-type WarmAnswer from WarmEstimates
 */
final class Estimator
{
    /** Longer than that takes hardly anybody who estimates for itself. */
    private const SECONDS = 2;

    /**
     * @param  array<string, mixed>  $plan  the plan document
     * @param  list<array<string, mixed>>  $commands  that are done to it first
     * @return ?WarmAnswer
     */
    public static function ask(CustomerJob $job, LibraryVersion $library, array $plan, Reading $reading, array $commands = []): ?array
    {
        $path = config('pebblerun.estimator');
        $line = is_string($path) && $path !== '' ? @stream_socket_client("unix://{$path}", $code, $fault, self::SECONDS) : false;
        if ($line === false) {
            return null;
        }
        stream_set_timeout($line, self::SECONDS);
        $asked = [
            'rules' => RuleSources::current(),
            'shop' => NamedShop::of($job->shop_id, null),
            'library' => $library->only(LibraryVersion::LIGHT),
            'car' => Bundles::car($job),
            'plan' => $plan,
            'commands' => $commands,
            'reading' => $reading->toArray(),
        ];
        @fwrite($line, json_encode($asked, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)."\n");
        /** @var ?WarmAnswer $answer cut off it is no JSON */
        $answer = json_decode((string) fgets($line), true);
        fclose($line);

        return $answer;
    }
}
