<?php

namespace App\Actions;

use App\Assembly\Bundles;
use App\Models\Car;
use App\Models\Customer;
use App\Models\CustomerJob;
use App\Models\MileageReading;
use App\Models\Platform;
use App\Models\User;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/** Opens a job with a brief and a plan that were written elsewhere, on a platform as the shop has it. */
final readonly class OpenJob
{
    public function __construct(private DocumentReader $reader, private SavePlan $save) {}

    /**
     * Inside a transaction.
     *
     * @param  array<string, mixed>  $brief  the brief without its head
     * @param  array<string, mixed>  $plan  the plan without its head
     * @param  string  $name  what it is called in faults
     *
     * @throws InvalidDocument where the shop's library or fuels do not have what they name.
     */
    public function with(Platform $platform, string $customer, string $title, array $brief, array $plan, User $advisor, string $name): CustomerJob
    {
        $library = $platform->latest();
        $said = $brief['car'];
        $known = Customer::query()->firstOrCreate(['shop_id' => $platform->shop_id, 'name' => $customer]);
        $car = new Car(['customer_id' => $known->id, 'platform_id' => $platform->id, 'year' => $said['year'], 'gearbox' => $said['gearbox'], 'registration' => $said['registration'] ?? '']);
        $car->save();
        $job = CustomerJob::create(['shop_id' => $platform->shop_id, 'car_id' => $car->id, 'advisor_id' => $advisor->id, 'title' => $title, 'brief' => $brief]);
        if (isset($said['mileage_km'])) {
            MileageReading::create(['car_id' => $car->id, 'customer_job_id' => $job->id, 'km' => $said['mileage_km'], 'read_on' => $advisor->shop->today()]);
        }
        $job->briefRevisions()->create(['number' => 1, 'document' => $brief, 'author_id' => $advisor->id]);
        try {
            $this->reader->open(Bundles::document($job->setRelation('shop', $advisor->shop), $library, $plan));
        } catch (InvalidDocument $fault) {
            throw InvalidDocument::because($name, $fault->getMessage());
        }
        $this->save->first($job, $library, $plan, $advisor);

        return $job;
    }
}
