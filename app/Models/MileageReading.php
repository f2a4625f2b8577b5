<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a car's odometer showed on the day of a visit.
 *
 * @property int $car_id
 * @property int $customer_job_id
 * @property float $km
 * @property string $read_on date, ISO 8601
 */
final class MileageReading extends Model
{
    public $timestamps = false;

    protected function casts(): array
    {
        return ['km' => 'float'];
    }
}
