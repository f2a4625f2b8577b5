<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * @phpstan-import-type PlanDocument from PlanDraft
 *
 * @property int $number
 * @property int $content_of
 * @property ?int $previous
 * @property PlanDocument $document the whole plan
 * @property ?list<array{code: string, parameters?: array<string, string|int|float|bool|null>}> $change what was done, as codes with parameters; null in rows from before
 * @property ?string $label the words of rows from before
 * @property int $author_id
 * @property ?string $request the browser's name for the change
 * @property ?string $asked hash of what was asked under that name; null in rows from before
 * @property Carbon $created_at
 * @property-read User $author
 */
final class PlanRevision extends Model
{
    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['document' => 'array', 'change' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
