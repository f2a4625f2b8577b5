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
 * @property ?string $request the page's name for the change
 * @property ?string $queue that it came from; null in rows from before
 * @property ?list<array<string, mixed>> $commands what was asked; null for undo and its like, and in rows from before
 * @property ?int $undoes number of an earlier change that it takes back while later ones stay
 * @property int $version of the job that it made
 * @property int $library_version_id that it was made with
 * @property Carbon $created_at
 * @property-read User $author
 */
final class PlanRevision extends Model
{
    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['document' => 'array', 'change' => 'array', 'commands' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
