<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Pebblerun\Core\Job\Commands\Editor;

/**
 * @phpstan-import-type PlanDocument from Editor
 *
 * @property int $number
 * @property int $content_of
 * @property ?int $previous
 * @property PlanDocument $document the whole plan
 * @property string $label
 * @property int $author_id
 * @property ?string $request the browser's name for the change
 * @property Carbon $created_at
 * @property-read User $author
 */
final class PlanRevision extends Model
{
    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['document' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
