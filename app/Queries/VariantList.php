<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Assembly\Reading;
use App\Models\Plan;
use App\Models\PlanVariant;
use App\Models\User;
use Pebblerun\Core\Advice\Comparison;
use Pebblerun\Core\Exchange\OpenedBundle;
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

    /**
     * Two of the plan and its variants beside each other.
     *
     * @param  ?PlanVariant  $here  null for the plan as it is
     * @return array<string, mixed> valid against comparison of schemas/answers.json
     */
    public static function compared(Plan $plan, ?PlanVariant $here, ?PlanVariant $there, User $reader): array
    {
        $opened = fn (?PlanVariant $variant): OpenedBundle => $variant === null ? Bundles::of($plan) : Bundles::read($plan->job, $plan->library, $variant->document);
        $one = $opened($here);

        return ComparisonDocument::of(
            new Comparison(Estimates::of($one)->estimate(), Estimates::of($opened($there))->estimate()),
            Estimates::formatter($one, $reader),
        );
    }
}
