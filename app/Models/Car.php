<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * A customer's car, as it was last seen. What a job's brief says of it is what was true then.
 *
 * @phpstan-import-type Writers from CustomerJob
 *
 * @property int $id
 * @property int $customer_id
 * @property int $platform_id
 * @property int $year
 * @property string $gearbox
 * @property string $registration
 * @property string $chassis_number
 * @property ?string $fuel key of what was in its tank when it left; null where nobody said
 * @property array<string, mixed> $facts what else its last brief said of it, as the brief has it: variant, tyres, lift_mm, mass
 * @property Writers $writers
 * @property-read Customer $customer
 * @property-read Platform $platform
 * @property-read ?MileageReading $lastReading
 */
final class Car extends Model
{
    /** Of a brief's car, what stays with the car beside year, gearbox and registration. */
    public const FACTS = ['variant', 'tyres', 'lift_mm', 'mass'];

    protected $attributes = ['registration' => '', 'chassis_number' => '', 'fuel' => null, 'facts' => '{}', 'writers' => '{}'];

    protected function casts(): array
    {
        return ['writers' => 'array', 'facts' => 'array'];
    }

    /** @return BelongsTo<Customer, $this> */
    public function customer(): BelongsTo
    {
        return $this->belongsTo(Customer::class);
    }

    /** @return BelongsTo<Platform, $this> */
    public function platform(): BelongsTo
    {
        return $this->belongsTo(Platform::class);
    }

    /** @return HasMany<CustomerJob, $this> */
    public function jobs(): HasMany
    {
        return $this->hasMany(CustomerJob::class);
    }

    /** @return HasOne<MileageReading, $this> */
    public function lastReading(): HasOne
    {
        return $this->hasOne(MileageReading::class)->ofMany(['read_on' => 'max', 'id' => 'max']);
    }
}
