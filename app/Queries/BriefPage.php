<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Models\CustomerJob;
use Pebblerun\Core\Advice\AnswerEffects;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Question;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Job\Brief\Refusal;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\AnswerWords;

/** The brief of a job, with what its answers mean. */
final class BriefPage
{
    /** @return array<string, mixed> valid against briefPage of schemas/answers.json */
    public static function of(CustomerJob $job): array
    {
        $job->load('shop', 'platform');
        $plan = $job->benchPlan();
        $opened = Bundles::of($plan);

        return [
            'job' => ['id' => $job->id, 'title' => $job->title, 'customer' => $job->customer, 'platform' => $job->platform->name],
            'fuels' => array_values(array_map(fn (Fuel $fuel): array => ['key' => $fuel->key, 'name' => $fuel->name], $opened->bundle->catalog->fuels)),
            'slots' => self::slots($opened->bundle),
            'checks' => array_map(fn (HealthCheck $check): array => ['key' => $check->value, 'words' => Terms::healthCheck($check), 'needed' => $check->isNeeded()], HealthCheck::cases()),
            'refusals' => array_map(fn (Refusal $refusal): array => ['key' => $refusal->value, 'words' => Terms::refusal($refusal)], Refusal::cases()),
            'warnings' => array_map(fn (Warning $warning): array => ['key' => $warning->value, 'text' => Terms::warning($warning)], Warning::cases()),
            'brief' => $job->brief,
            'state' => self::saved($job, Estimates::of($opened, $plan->figures)),
        ];
    }

    /** @return list<array<string, mixed>> every slot with what could stand in it */
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
     * @return array<string, mixed> valid against briefState of schemas/answers.json
     */
    public static function saved(CustomerJob $job, Estimates $estimates): array
    {
        $words = new AnswerWords(UnitFormatter::for($estimates->opened->bundle, $estimates->opened->units));
        $open = Readiness::of($job->brief)->open;

        return [
            'revision' => $job->brief_revision,
            'labels' => $estimates->document['labels'],
            'verdict' => $estimates->document['verdict'],
            'measured' => $estimates->document['measured'],
            'means' => array_map(fn (array $effects): array => array_map($words->of(...), $effects), (new AnswerEffects($estimates->estimate))->byQuestion()),
            'readiness' => [
                'answered' => count(Question::cases()) - count($open),
                'of' => count(Question::cases()),
                'open' => array_map(fn (Question $question): array => ['key' => $question->value, 'words' => Terms::question($question)], $open),
            ],
            'warnings_given' => $job->brief['warnings'] ?? [],
        ];
    }
}
