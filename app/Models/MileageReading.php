<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * What a car's odometer showed on a day.
 *
 * @property int $car_id
 * @property ?int $customer_job_id of the visit; null where it was read when a stage was done
 * @property ?int $stage_mark_id that it was read with
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
