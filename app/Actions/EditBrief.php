<?php

namespace App\Actions;

use App\Assembly\BriefConflict;
use App\Assembly\BriefSheet;
use App\Assembly\Bundles;
use App\Assembly\CarLedger;
use App\Assembly\Estimates;
use App\Assembly\Reading;
use App\Assembly\SavedBrief;
use App\Exceptions\Refused;
use App\Models\Car;
use App\Models\Customer;
use App\Models\CustomerJob;
use App\Models\MileageReading;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Evaluation\Baseline\BaselineCheck;
use Pebblerun\Core\Job\Brief\BriefPlaces;
use Pebblerun\Core\Report\Words\BaselineWords;
use Pebblerun\Formats\DocumentReader;

/**
 * Writes answers of a brief, each in its place, as the brief's next revision. An answer that others gave otherwise meanwhile is
 * refused with both sides; answers in other places follow.
 */
final readonly class EditBrief
{
    public function __construct(private OneOutcome $outcome, private MarkJob $mark, private KeepFigures $keep, private DocumentReader $reader) {}

    /**
     * @param  non-empty-list<array{place: string, value: mixed}>  $answers  null takes one away
     * @return ?SavedBrief null when it was done before
     *
     * @throws Refused
     */
    public function answer(CustomerJob $job, Edit $edit, array $answers): ?SavedBrief
    {
        $saved = $this->outcome->of($job, null, $edit, fn (): SavedBrief => DB::transaction(fn (): SavedBrief => $this->write($job, $edit, $answers), 3));
        $saved === null || $this->keep->later($saved->plan, $saved->estimates, $edit->author);

        return $saved;
    }

    /**
     * @param  non-empty-list<array{place: string, value: mixed}>  $answers
     */
    private function write(CustomerJob $job, Edit $edit, array $answers): SavedBrief
    {
        $isShared = self::isShared(array_column($answers, 'place'));
        $this->lock($job, $isShared);
        $this->mustBeFree($job, $edit, $answers);
        $version = (int) DB::scalar("select nextval('versions')");
        foreach ($answers as ['place' => $place, 'value' => $value]) {
            $this->set($job, $place, $value, $edit);
            $row = (new BriefSheet($job))->rowOf($place);
            $row->writers = [...$row->writers, $place => ['queue' => $edit->queue, 'by' => $edit->author->name, 'version' => $version]];
        }
        $this->reader->section('brief', $job->brief);
        $job->fill(['brief_revision' => $job->brief_revision + 1])->save();
        $job->briefRevisions()->create(['number' => $job->brief_revision, 'document' => $job->brief, 'author_id' => $edit->author->id, 'queue' => $edit->queue, 'version' => $version]);
        $this->noteCar($job);
        in_array(BriefPlaces::STANDS, array_column($answers, 'place'), true) && CarLedger::correct($job, $job->brief['received']['parts'] ?? [], $edit->author);
        $job->car->customer->save();
        $saved = $this->estimated($job, $edit);
        self::mustBePossible($job, $saved->estimates, array_column($answers, 'place'));
        if ($isShared) {
            $this->mark->refind($job->car->customer_id);
        }
        $this->mark->mark($job, null, $saved->estimates);
        $this->outcome->done($job, null, $edit);

        return $saved;
    }

    /**
     * A baseline that cannot be is not taken; one that stands already hinders no other answer.
     *
     * @param  list<string>  $places
     *
     * @throws Refused
     */
    private static function mustBePossible(CustomerJob $job, Estimates $estimates, array $places): void
    {
        $impossible = array_intersect($places, [BriefPlaces::BASELINE, BriefPlaces::BASELINE_CONFIRMED]) === [] ? null : BaselineCheck::impossible($estimates->estimate()->baselineDoubts());
        if ($impossible !== null) {
            throw Refused::because((new BaselineWords(Reading::ofShop($job->shop)->formatter($estimates->opened())))->of($impossible));
        }
    }

    /**
     * The job's row; where the customer's or the car's is touched, first the customer and then all jobs of theirs, always in the
     * same order, so that nobody waits for ever.
     */
    private function lock(CustomerJob $job, bool $isShared): void
    {
        if ($isShared) {
            Customer::query()->whereKey($job->car->customer_id)->lockForUpdate()->first();
            CustomerJob::query()->whereIn('car_id', Car::query()->where('customer_id', $job->car->customer_id)->select('id'))->orderBy('id')->lockForUpdate()->get('id');
        }
        $job->setRawAttributes(CustomerJob::query()->lockForUpdate()->findOrFail($job->id)->getAttributes(), true);
        $job->setRelation('car', Car::query()->with('customer')->lockForUpdate()->findOrFail($job->car_id));
    }

    /**
     * Whether other jobs of the customer show it too.
     *
     * @param  list<string>  $places
     */
    private static function isShared(array $places): bool
    {
        return array_intersect($places, [...array_keys(BriefSheet::CUSTOMER), BriefSheet::CHASSIS, BriefSheet::OWNER, BriefSheet::CAR]) !== [];
    }

    /**
     * @param  list<array{place: string, value: mixed}>  $answers
     *
     * @throws Refused where others answered otherwise since it was shown.
     */
    private function mustBeFree(CustomerJob $job, Edit $edit, array $answers): void
    {
        $sheet = new BriefSheet($job);
        $clashing = [];
        foreach ($answers as ['place' => $place, 'value' => $value]) {
            $writer = $sheet->writer($place);
            if ($writer !== null && $writer['version'] > $edit->seen && $writer['queue'] !== $edit->queue && $sheet->value($place) != $value) {
                $clashing[] = $place;
            }
            // Who stands by a baseline stands by the one that was shown.
            $baseline = $place === BriefPlaces::BASELINE_CONFIRMED && $value !== null ? $sheet->writer(BriefPlaces::BASELINE) : null;
            if ($baseline !== null && $baseline['version'] > $edit->seen && $baseline['queue'] !== $edit->queue) {
                throw Refused::because("{$baseline['by']} changed the baseline meanwhile: look at it again, then confirm it.");
            }
        }
        if ($clashing !== []) {
            throw Refused::conflict(BriefConflict::answer($job, $answers, $clashing));
        }
    }

    private function set(CustomerJob $job, string $place, mixed $value, Edit $edit): void
    {
        match (true) {
            $place === BriefSheet::TITLE => $job->title = $value,
            $place === BriefSheet::CHASSIS => $job->car->chassis_number = (string) $value,
            isset(BriefSheet::CUSTOMER[$place]) => $job->car->customer->setAttribute(BriefSheet::CUSTOMER[$place], (string) $value),
            $place === BriefSheet::OWNER => $this->giveCar($job, $value),
            $place === BriefSheet::CAR => $this->takeCar($job, (int) $value),
            $place === BriefPlaces::BASELINE => $job->brief = BriefPlaces::with(BriefPlaces::with($job->brief, $place, $value), BriefPlaces::BASELINE_CONFIRMED, null),
            default => $job->brief = BriefPlaces::with($job->brief, $place, self::stamped($place, $value, $edit)),
        };
    }

    /** Who gave a warning or stands by a baseline, and when, is written here and not by the page. */
    private static function stamped(string $place, mixed $value, Edit $edit): mixed
    {
        $stamp = ['on' => $edit->author->shop->today(), 'by' => $edit->author->name];

        return match (true) {
            $value === null => null,
            str_starts_with($place, 'warnings.') => ['warning' => substr($place, strlen('warnings.')), ...$stamp],
            $place === BriefPlaces::BASELINE_CONFIRMED => $stamp,
            default => $value,
        };
    }

    /**
     * The job's car is another customer's: a known one's by id, or a new one's by name. Where other jobs are for the same car too,
     * the job gets a car of its own.
     *
     * @throws Refused
     */
    private function giveCar(CustomerJob $job, mixed $owner): void
    {
        $customer = is_int($owner)
            ? (Customer::query()->where('shop_id', $job->shop_id)->find($owner) ?? throw Refused::because('This customer is not there any more: choose another, or type the name.'))
            : Customer::create(['shop_id' => $job->shop_id, 'name' => (string) $owner]);
        [$car, $before] = [$job->car, $job->car->customer_id];
        if (CustomerJob::query()->where('car_id', $car->id)->whereKeyNot($job->id)->exists()) {
            $car = $car->replicate();
        }
        $car->customer()->associate($customer)->save();
        $this->forCar($job, $car, $before);
    }

    /** @throws Refused */
    private function takeCar(CustomerJob $job, int $id): void
    {
        $car = Car::query()->with('customer')->where('platform_id', $job->car->platform_id)->find($id);
        if ($car === null || $car->customer->shop_id !== $job->shop_id) {
            throw Refused::because('This car is not there any more, or is of another platform: choose another.');
        }
        $this->forCar($job, $car, $job->car->customer_id);
        $brief = BriefPlaces::with($job->brief, 'car.year', $car->year);
        $brief = BriefPlaces::with($brief, 'car.gearbox', $car->gearbox);
        foreach (Car::FACTS as $fact) {
            $brief = BriefPlaces::with($brief, "car.{$fact}", $car->facts[$fact] ?? null);
        }
        $job->brief = BriefPlaces::with($brief, 'car.registration', $car->registration === '' ? null : $car->registration);
    }

    /**
     * A car that no job is for any more goes, and with it a customer of whom nothing else is known.
     *
     * @param  int  $before  the customer whose job it was
     */
    private function forCar(CustomerJob $job, Car $car, int $before): void
    {
        $left = Car::query()->whereKey($job->getOriginal('car_id'))->sole();
        $job->setRelation('car', $car)->fill(['car_id' => $car->id])->save();
        MileageReading::query()->where('customer_job_id', $job->id)->update(['car_id' => $car->id]);
        if ($left->isNot($car) && ! $left->jobs()->exists()) {
            $left->delete();
        }
        Customer::query()->whereKey($before)->where(['contact' => '', 'notes' => ''])->whereDoesntHave('cars')->delete();
    }

    /** What the brief says of the car is what the car's row says now; the mileage is a reading of the visit. */
    private function noteCar(CustomerJob $job): void
    {
        $said = $job->brief['car'];
        $job->car->fill(['year' => $said['year'], 'gearbox' => $said['gearbox'], 'registration' => $said['registration'] ?? '', 'facts' => array_intersect_key($said, array_flip(Car::FACTS))])->save();
        $of = MileageReading::query()->where('customer_job_id', $job->id);
        if (! isset($said['mileage_km'])) {
            $of->delete();
        } elseif ((float) $of->value('km') !== (float) $said['mileage_km']) {
            MileageReading::query()->updateOrCreate(['customer_job_id' => $job->id], ['car_id' => $job->car->id, 'km' => $said['mileage_km'], 'read_on' => $job->shop->today()]);
        }
    }

    /** With the plan that stands for the job; every other one must still be one under the brief. */
    private function estimated(CustomerJob $job, Edit $edit): SavedBrief
    {
        foreach ($job->plans()->with('library')->whereKeyNot($job->plan_id)->get() as $other) {
            Bundles::of($other->setRelation('job', $job));
        }
        $plan = $job->chosenPlan();

        return new SavedBrief($job, $plan, Estimates::shown($job, $plan->library, $plan->document, $edit->author));
    }
}
