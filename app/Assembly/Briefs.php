<?php

namespace App\Assembly;

use App\Models\CustomerJob;
use Pebblerun\Core\Advice\AnswerEffects;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Job\Brief\Refusal;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Report\UnitFormatter;

/** The documents of the brief page. */
final class Briefs
{
    /** @return array<string, mixed> */
    public static function page(CustomerJob $job): array
    {
        $job->load('shop', 'platform');
        $plan = $job->benchPlan();
        $bundle = Bundles::of($plan);

        return [
            'job' => ['id' => $job->id, 'title' => $job->title, 'customer' => $job->customer, 'platform' => $job->platform->name],
            'fuels' => array_values(array_map(fn (Fuel $fuel): array => ['key' => $fuel->key, 'name' => $fuel->name], $bundle->catalog->fuels)),
            'slots' => self::slots($bundle),
            'checks' => array_map(fn (HealthCheck $check): array => ['key' => $check->value, 'words' => $check->words(), 'needed' => $check->isNeeded()], HealthCheck::cases()),
            'refusals' => array_map(fn (Refusal $refusal): array => ['key' => $refusal->value, 'words' => $refusal->words()], Refusal::cases()),
            'warnings' => array_map(fn (Warning $warning): array => ['key' => $warning->value, 'text' => $warning->text()], Warning::cases()),
            'state' => ['brief' => $job->brief, ...self::saved($job, Estimates::of($bundle, $plan->figures))],
        ];
    }

    /** @return list<array<string, mixed>> every place with what could stand in it */
    private static function slots(Bundle $bundle): array
    {
        return array_values(array_map(fn (Slot $slot): array => [
            'key' => $slot->key,
            'name' => $slot->name,
            'stock' => $slot->stock,
            'parts' => array_map(
                fn (Part $part): array => ['key' => $part->key, 'name' => $part->name, 'slots' => $part->slots],
                $bundle->catalog->forSlot($slot->key),
            ),
        ], $bundle->catalog->platform->slots));
    }

    /**
     * What a save answers: the revision, and what the answers mean for the plan.
     *
     * @return array<string, mixed>
     */
    public static function saved(CustomerJob $job, Estimates $estimates): array
    {
        $estimate = $estimates->estimate;
        $say = new UnitFormatter($estimate->bundle->units, $estimate->bundle->rates->currency);

        return [
            'revision' => $job->brief_revision,
            'labels' => $estimates->document['labels'],
            'verdict' => $estimates->document['verdict'],
            'measured' => $estimates->document['measured'],
            'means' => (new AnswerEffects($estimate, $say))->sentences(),
            'readiness' => Readiness::of($job->brief)->toArray(),
            'told' => $job->brief['told'] ?? [],
        ];
    }
}
