<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\CarLedger;
use App\Assembly\Estimates;
use App\Assembly\Reading;
use App\Models\Car;
use App\Models\CustomerJob;
use App\Models\MileageReading;
use Pebblerun\Core\Advice\AnswerEffects;
use Pebblerun\Core\Catalog\Cars\Tyres;
use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Baseline\BaselineCheck;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Question;
use Pebblerun\Core\Job\Brief\Readiness;
use Pebblerun\Core\Job\Brief\Refusal;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Physics\Dyno\Correction;
use Pebblerun\Core\Report\PlanHead;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\VerdictDocument;
use Pebblerun\Core\Report\Words\AnswerWords;
use Pebblerun\Core\Report\Words\BaselineWords;
use Pebblerun\Core\Report\Words\ChoiceWords;

/** The brief of a job, with what its answers mean. */
final class BriefPage
{
    /** Read neither at the car's arrival for this job nor when one of its stages was done. */
    private const ANOTHER_VISIT = 'customer_job_id is distinct from ? and not exists (
        select 1 from stage_marks m join plans p on p.id = m.plan_id where m.id = mileage_readings.stage_mark_id and p.customer_job_id = ?)';

    /** @return array<string, mixed> valid against briefPage of schemas/answers.json */
    public static function of(CustomerJob $job): array
    {
        $job->load('shop', 'car.platform', 'car.customer');
        $opened = Bundles::of($job->chosenPlan());

        return [
            'job' => ['id' => $job->id, 'platform' => $job->car->platform->name],
            'fuels' => array_values(array_map(fn (Fuel $fuel): array => ['key' => $fuel->key, 'name' => $fuel->name], $opened->bundle->catalog->fuels)),
            'slots' => self::slots($opened->bundle),
            'checks' => array_map(fn (HealthCheck $check): array => ['key' => $check->value, 'words' => Terms::healthCheck($check), 'needed' => $check->isNeeded()], HealthCheck::cases()),
            'tyres' => ChoiceWords::each(Tyres::cases(), Terms::tyres(...)),
            'dynos' => array_map(fn (string $dyno): array => ['key' => $dyno, 'words' => str_replace('-', ' ', $dyno)], array_keys($opened->bundle->shop->dynoFactors)),
            'corrections' => ChoiceWords::each(Correction::cases(), Terms::correction(...)),
            'refusals' => array_map(fn (Refusal $refusal): array => ['key' => $refusal->value, 'words' => Terms::refusal($refusal)], Refusal::cases()),
            'warnings' => array_map(fn (Warning $warning): array => ['key' => $warning->value, 'text' => Terms::warning($warning)], Warning::cases()),
            'state' => self::state($job, Estimates::of($opened)),
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

    /** @return array<string, mixed> the brief as it stands, for a job that may have been read in part; valid against briefState */
    public static function current(CustomerJob $job): array
    {
        $job->load('shop', 'car.platform', 'car.customer');

        return self::state($job, Estimates::of(Bundles::of($job->chosenPlan())));
    }

    /** @return array{doubts: list<string>, can_confirm: bool} */
    private static function baseline(Estimate $estimate, UnitFormatter $say): array
    {
        $doubts = $estimate->baselineDoubts();

        return ['doubts' => array_map((new BaselineWords($say))->of(...), $doubts), 'can_confirm' => $doubts !== [] && BaselineCheck::impossible($doubts) === null];
    }

    /**
     * The answers, and what they mean for the plan that stands for the job.
     *
     * @return array<string, mixed> valid against briefState of schemas/answers.json
     */
    public static function state(CustomerJob $job, Estimates $estimates): array
    {
        $say = Reading::ofShop($job->shop)->formatter($estimates->opened());
        $words = new AnswerWords($say);
        $open = Readiness::of($job->brief)->open;
        $head = (new PlanHead($estimates->estimate(), $say))->write();

        return [
            'version' => $job->version,
            'revision' => $job->brief_revision,
            'title' => $job->title,
            'customer' => self::customer($job),
            'chassis_number' => $job->car->chassis_number,
            'ledger' => CarLedger::of($job->car, array_map(fn (Part $part): string => $part->name, $estimates->opened()->bundle->catalog->parts->all())),
            'brief' => $job->brief,
            'variants' => array_map(fn (Variant $variant): array => ['key' => $variant->key, 'words' => $variant->name], $estimates->opened()->bundle->catalog->platform->variantsOf($job->brief['car']['year'])),
            'mass_unit' => $say->units->mass->value,
            'labels' => $head['labels'],
            'verdict' => (new VerdictDocument($estimates->estimate(), $say))->glance(),
            'measured' => $head['measured'],
            'baseline' => self::baseline($estimates->estimate(), $say),
            'means' => (object) array_map(fn (array $effects): array => array_map($words->of(...), $effects), (new AnswerEffects($estimates->estimate()))->byQuestion()),
            'readiness' => [
                'answered' => count(Question::cases()) - count($open),
                'of' => count(Question::cases()),
                'open' => array_map(fn (Question $question): array => ['key' => $question->value, 'words' => Terms::question($question)], $open),
            ],
        ];
    }

    /** @return array<string, mixed> whose car it is, and how much else of theirs is known */
    private static function customer(CustomerJob $job): array
    {
        $customer = $job->car->customer;
        $others = CustomerJob::query()->whereKeyNot($job->id)->whereIn('car_id', Car::query()->where('customer_id', $customer->id)->select('id'))->count();
        $reading = MileageReading::query()->where('car_id', $job->car_id)->whereRaw(self::ANOTHER_VISIT, [$job->id, $job->id])->orderByDesc('read_on')->orderByDesc('id')->first();

        return [
            'id' => $customer->id, 'name' => $customer->name, 'contact' => $customer->contact, 'notes' => $customer->notes,
            'other_jobs' => $others,
            'last_reading' => $reading === null ? null : ['km' => $reading->km, 'on' => $reading->read_on],
        ];
    }
}
