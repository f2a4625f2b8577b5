<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use App\Models\LibraryVersion;
use App\Models\Plan;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\OpenedBundle;

/** The one place where rows become a bundle, and the bundle core objects. */
final class Bundles
{
    /**
     * The bundle document of a plan.
     *
     * @param  array<string, mixed>  $plan  the plan document
     * @return array<string, mixed>
     */
    public static function document(CustomerJob $job, LibraryVersion $library, array $plan): array
    {
        return ['format' => 'pebblerun/bundle', 'version' => BundleReader::VERSION, ...self::car($job), ...Libraries::content($library), 'plan' => $plan];
    }

    /**
     * What a bundle says of the shop and the car, in one order of keys, so that equal documents give equal fingerprints.
     *
     * @return array{units: array<string, mixed>, shop: array<string, mixed>, brief: array<string, mixed>}
     */
    public static function car(CustomerJob $job): array
    {
        return ['units' => Canonical::sorted($job->shop->units), 'shop' => Canonical::sorted($job->shop->document), 'brief' => Canonical::sorted($job->brief)];
    }

    public static function of(Plan $plan): OpenedBundle
    {
        return self::read($plan->job, $plan->library, $plan->document);
    }

    /** @param  array<string, mixed>  $plan  the plan document */
    public static function read(CustomerJob $job, LibraryVersion $library, array $plan): OpenedBundle
    {
        return BundleReader::trusted(self::document($job, $library, $plan), $library->content);
    }
}
