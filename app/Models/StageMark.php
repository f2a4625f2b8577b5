<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Pebblerun\Core\Job\Life\StageLife;

/**
 * Says how far a stage is, from a day on; the last one counts.
 *
 * @property int $id
 * @property int $plan_id
 * @property string $stage its key
 * @property StageLife $life
 * @property string $marked_on ISO 8601
 * @property-read ?User $author
 */
final class StageMark extends Model
{
    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['life' => StageLife::class];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
