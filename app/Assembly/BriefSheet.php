<?php

namespace App\Assembly;

use App\Models\Car;
use App\Models\Customer;
use App\Models\CustomerJob;
use Pebblerun\Core\Job\Brief\BriefPlaces;

/**
 * A brief as people see it, by place: the answers of the brief document, and with them the job's title and what is known of the
 * customer and the car, which are rows of their own.
 *
 * @phpstan-import-type Writers from CustomerJob
 */
final readonly class BriefSheet
{
    /** Places of the customer's row. */
    public const CUSTOMER = ['customer.name' => 'name', 'customer.contact' => 'contact', 'customer.notes' => 'notes'];

    public const TITLE = 'title';

    public const CHASSIS = 'car.chassis_number';

    /** Whose the car is: the customer's id, or a name for a new one. */
    public const OWNER = 'customer';

    /** Which car the job is for: its id. */
    public const CAR = 'car';

    public function __construct(private CustomerJob $job) {}

    public function value(string $place): mixed
    {
        return match (true) {
            $place === self::TITLE => $this->job->title,
            $place === self::CHASSIS => $this->car()->chassis_number,
            $place === self::OWNER => $this->customer()->id,
            $place === self::CAR => $this->car()->id,
            isset(self::CUSTOMER[$place]) => $this->customer()->getAttribute(self::CUSTOMER[$place]),
            default => BriefPlaces::get($this->job->brief, $place),
        };
    }

    /** @return ?array{queue: ?string, by: string, version: int} who wrote it last; null where nobody did since the job began */
    public function writer(string $place): ?array
    {
        return $this->rowOf($place)->writers[$place] ?? null;
    }

    public function rowOf(string $place): CustomerJob|Customer|Car
    {
        return match (true) {
            isset(self::CUSTOMER[$place]) => $this->customer(),
            $place === self::CHASSIS, $place === self::OWNER => $this->car(),
            default => $this->job,
        };
    }

    private function car(): Car
    {
        return $this->job->car;
    }

    private function customer(): Customer
    {
        return $this->job->car->customer;
    }
}
