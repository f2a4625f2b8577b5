<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Carbon;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * A plan as it once stood, kept under a name to be compared with.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 *
 * @property int $id
 * @property int $plan_id
 * @property string $name
 * @property PlanDocument $document
 * @property Carbon $created_at
 * @property-read User $author
 */
final class PlanVariant extends Model
{
    use SoftDeletes;

    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['document' => 'array', 'created_at' => 'datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
