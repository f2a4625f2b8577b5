<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A part that stands, or stood, on a car.
 *
 * @property int $id
 * @property int $car_id
 * @property string $part its key
 * @property ?string $since ISO 8601; null where it came with the car
 * @property ?int $km that the car had then
 * @property ?int $customer_job_id
 * @property ?string $stage key of the stage that fitted it
 * @property ?bool $used whether it was fitted second hand; null where nobody said
 * @property bool $own_work the customer fitted it
 * @property string $stock_place where the part lies that it took the place of
 * @property ?string $left_on ISO 8601; null while it stands there
 * @property ?int $came_by the mark that wrote it
 * @property ?int $left_by the mark that took it off
 * @property-read ?CustomerJob $job
 * @property-read ?User $author
 */
final class CarFitting extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['since' => null, 'km' => null, 'customer_job_id' => null, 'stage' => null, 'used' => null, 'own_work' => false, 'stock_place' => '', 'author_id' => null, 'left_on' => null, 'came_by' => null, 'left_by' => null];

    protected function casts(): array
    {
        return ['used' => 'boolean', 'own_work' => 'boolean'];
    }

    /** @return BelongsTo<CustomerJob, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(CustomerJob::class, 'customer_job_id');
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
