<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Carbon;
use Pebblerun\Core\Advice\NextStep;

/**
 * A customer's wish on the desk: its brief and its plans.
 *
 * @property int $id
 * @property int $shop_id
 * @property int $platform_id
 * @property int $advisor_id
 * @property string $title
 * @property string $customer
 * @property array<string, mixed> $brief the brief format without its head
 * @property int $brief_revision
 * @property NextStep $due
 * @property ?string $oldest_price date of the oldest price its plan rests on
 * @property string $search what it is found by
 * @property Carbon $updated_at
 * @property-read Shop $shop
 * @property-read Platform $platform
 * @property-read User $advisor
 * @property-read ?Plan $plan
 */
final class CustomerJob extends Model
{
    protected $attributes = ['brief_revision' => 1];

    protected function casts(): array
    {
        return ['brief' => 'array', 'due' => NextStep::class];
    }

    /** "Corvane Lyre 1.6T, 2021, manual". */
    public function car(): string
    {
        return "{$this->platform->name}, {$this->brief['car']['year']}, {$this->brief['car']['gearbox']}";
    }

    /** @return BelongsTo<Shop, $this> */
    public function shop(): BelongsTo
    {
        return $this->belongsTo(Shop::class);
    }

    /** @return BelongsTo<Platform, $this> */
    public function platform(): BelongsTo
    {
        return $this->belongsTo(Platform::class);
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

    /**
     * The plan on the bench: the newest.
     *
     * @return HasOne<Plan, $this>
     */
    public function plan(): HasOne
    {
        return $this->hasOne(Plan::class)->latestOfMany();
    }

    /** The plan on the bench with its library version. */
    public function benchPlan(): Plan
    {
        $plan = $this->plan()->with('library')->firstOrFail();

        return $plan->setRelation('job', $this);
    }
}
