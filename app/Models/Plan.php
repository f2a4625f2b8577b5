<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * @phpstan-import-type PlanDocument from PlanDraft
 *
 * @property int $id
 * @property int $customer_job_id
 * @property int $library_version_id
 * @property PlanDocument $document
 * @property int $revision
 * @property list<int> $redo contents that undo stepped back from, the next to redo last
 * @property Carbon $updated_at
 * @property-read CustomerJob $job
 * @property-read Collection<int, StageMark> $marks
 * @property-read LibraryVersion $library
 */
final class Plan extends Model
{
    use SoftDeletes;

    protected function casts(): array
    {
        return ['document' => 'array', 'redo' => 'array'];
    }

    /** @return BelongsTo<CustomerJob, $this> */
    public function job(): BelongsTo
    {
        return $this->belongsTo(CustomerJob::class, 'customer_job_id');
    }

    /** @return BelongsTo<LibraryVersion, $this> */
    public function library(): BelongsTo
    {
        return $this->belongsTo(LibraryVersion::class, 'library_version_id')->select(LibraryVersion::LIGHT);
    }

    /** @return HasMany<PlanVariant, $this> */
    public function variants(): HasMany
    {
        return $this->hasMany(PlanVariant::class);
    }

    /** @return HasMany<StageMark, $this> */
    public function marks(): HasMany
    {
        return $this->hasMany(StageMark::class);
    }

    /** @return HasMany<PlanRevision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(PlanRevision::class);
    }
}
