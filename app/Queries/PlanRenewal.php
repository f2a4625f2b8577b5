<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\CurrentPrices;
use App\Assembly\Libraries;
use App\Assembly\Reading;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\User;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Report\RenewalDocument;

/** What changed in the library since a plan was saved, and what the plan would be with it. */
final class PlanRenewal
{
    /** @return array<string, mixed> valid against renewal of schemas/answers.json */
    public static function of(Plan $plan, User $reader): array
    {
        $newest = LibraryVersion::query()->select(LibraryVersion::LIGHT)->where('platform_id', $plan->library->platform_id)->orderByDesc('number')->firstOrFail();
        $content = Libraries::content($plan->library);
        $known = CurrentPrices::of($plan->library->platform_id, $plan->updated_at->toIso8601String());
        $document = ['format' => 'pebblerun/bundle', 'version' => BundleReader::VERSION, ...Bundles::car($plan->job), 'platform' => $content['platform'], 'parts' => CurrentPrices::laidOver($content['parts'], $known), 'plan' => $plan->document];
        $before = BundleReader::trusted($document);
        $after = Bundles::read($plan->job, $newest, $plan->document);
        $say = Reading::of($reader)->formatter($after);

        return ['version' => $plan->library->number, 'newest' => $newest->number, ...(new RenewalDocument(Estimate::of($before->bundle), Estimate::of($after->bundle), $say))->toArray()];
    }
}
