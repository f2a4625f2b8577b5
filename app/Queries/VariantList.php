<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\Reading;
use App\Models\Plan;
use App\Models\PlanVariant;
use App\Models\User;
use Pebblerun\Core\Advice\Comparison;
use Pebblerun\Core\Report\ComparisonDocument;

/** The variants of a plan. */
final class VariantList
{
    /** @return list<array<string, mixed>> valid against variants of schemas/answers.json */
    public static function of(Plan $plan): array
    {
        $shop = Reading::ofShop($plan->job->shop);

        return array_values($plan->variants()->with('author')->orderBy('id')->get()->map(fn (PlanVariant $variant): array => [
            'id' => $variant->id,
            'name' => $variant->name,
            'author' => $variant->author->name,
            'at' => $variant->created_at->toIso8601String(),
            'run' => Estimates::of(Bundles::read($plan->job, $plan->library, $variant->document))->summary($shop)['run'],
        ])->all());
    }

    /** @return array<string, mixed> the plan as it stands beside a variant; valid against comparison of schemas/answers.json */
    public static function compared(Plan $plan, PlanVariant $variant, User $reader): array
    {
        $opened = Bundles::of($plan);
        $there = Bundles::read($plan->job, $plan->library, $variant->document);
        $comparison = new Comparison(Estimates::of($opened)->estimate(), Estimates::of($there)->estimate());

        return ComparisonDocument::of($comparison, Estimates::formatter($opened, $reader));
    }
}
