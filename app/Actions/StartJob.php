<?php

namespace App\Actions;

use App\Assembly\CarLedger;
use App\Assembly\Libraries;
use App\Models\Car;
use App\Models\Customer;
use App\Models\CustomerJob;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Job\Brief\BriefPlaces;
use Pebblerun\Core\Job\NewJob;

/** Opens a job: a brief with nothing asked yet, and a plan of one empty stage; for a new customer, a known one, or a known car. */
final readonly class StartJob
{
    public function __construct(private SavePlan $save) {}

    public function forNew(Platform $platform, string $customer, string $title, User $advisor): CustomerJob
    {
        return DB::transaction(fn (): CustomerJob => $this->forCustomer($platform, Customer::create(['shop_id' => $platform->shop_id, 'name' => $customer]), $title, $advisor));
    }

    public function forCustomer(Platform $platform, Customer $customer, string $title, User $advisor): CustomerJob
    {
        return DB::transaction(function () use ($platform, $customer, $title, $advisor): CustomerJob {
            $new = NewJob::of(Libraries::content($platform->latest())['platform'], $advisor->shop->document)[0]['car'];
            $car = new Car(['customer_id' => $customer->id, 'platform_id' => $platform->id, 'year' => $new['year'], 'gearbox' => $new['gearbox']]);
            $car->save();

            return $this->open($car->setRelation('platform', $platform)->setRelation('customer', $customer), $title, $advisor);
        });
    }

    /** What is known of the car stands in the brief from the start, with what was fitted to it before; its mileage is read anew. */
    public function forCar(Car $car, string $title, User $advisor): CustomerJob
    {
        return DB::transaction(fn (): CustomerJob => $this->open($car, $title, $advisor));
    }

    private function open(Car $car, string $title, User $advisor): CustomerJob
    {
        $library = $car->platform->latest();
        $content = Libraries::content($library);
        $fitted = array_values(array_intersect(CarLedger::fitted($car->id), array_column($content['parts'], 'key')));
        [$brief, $plan] = NewJob::of($content['platform'], $advisor->shop->document, $fitted, $car->fuel);
        foreach (['year' => $car->year, 'gearbox' => $car->gearbox, 'registration' => $car->registration ?: null, ...$car->facts] as $field => $value) {
            $brief = BriefPlaces::with($brief, "car.{$field}", $value);
        }
        $job = CustomerJob::create(['shop_id' => $advisor->shop_id, 'car_id' => $car->id, 'advisor_id' => $advisor->id, 'title' => $title, 'brief' => $brief]);
        $job->setRelation('shop', $advisor->shop)->setRelation('car', $car)->briefRevisions()->create(['number' => 1, 'document' => $brief, 'author_id' => $advisor->id]);
        $this->save->first($job, $library, $plan, $advisor);

        return $job;
    }
}
