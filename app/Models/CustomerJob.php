<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Support\Carbon;
use Pebblerun\Core\Advice\NextStep;

/**
 * What is wanted for a car: its brief and its plans.
 *
 * @phpstan-type Writers array<string, array{queue: ?string, by: string, version: int}>
 *
 * @property int $id
 * @property int $shop_id
 * @property int $car_id
 * @property ?int $plan_id the plan that stands for the job
 * @property int $advisor_id
 * @property string $title
 * @property array<string, mixed> $brief the brief format without its head
 * @property int $brief_revision
 * @property int $version raised with every change of brief, plans or library
 * @property Writers $writers who wrote an answer last, by place
 * @property NextStep $due
 * @property ?string $oldest_price date of the oldest price its plan rests on
 * @property string $search what it is found by
 * @property Carbon $updated_at
 * @property-read Shop $shop
 * @property-read Car $car
 * @property-read User $advisor
 * @property-read ?Plan $plan
 */
final class CustomerJob extends Model
{
    protected $attributes = ['brief_revision' => 1, 'version' => 0, 'writers' => '{}'];

    protected function casts(): array
    {
        return ['brief' => 'array', 'writers' => 'array', 'due' => NextStep::class];
    }

    /** "Corvane Lyre 1.6T, 2021, manual". */
    public function carInWords(): string
    {
        return "{$this->car->platform->name}, {$this->brief['car']['year']}, {$this->brief['car']['gearbox']}";
    }

    /** @return BelongsTo<Shop, $this> */
    public function shop(): BelongsTo
    {
        return $this->belongsTo(Shop::class);
    }

    /** @return BelongsTo<Car, $this> */
    public function car(): BelongsTo
    {
        return $this->belongsTo(Car::class);
    }

    /** @return BelongsTo<User, $this> */
    public function advisor(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return HasMany<BriefRevision, $this> */
    public function briefRevisions(): HasMany
    {
        return $this->hasMany(BriefRevision::class);
    }

    /** @return HasMany<Plan, $this> */
    public function plans(): HasMany
    {
        return $this->hasMany(Plan::class);
    }

    /**
     * The plan that stands for the job on the counter and in the brief.
     *
     * @return BelongsTo<Plan, $this>
     */
    public function plan(): BelongsTo
    {
        return $this->belongsTo(Plan::class);
    }

    /** That plan with its library version. */
    public function chosenPlan(): Plan
    {
        $plan = $this->plan()->with('library')->firstOrFail();

        return $plan->setRelation('job', $this);
    }
}
