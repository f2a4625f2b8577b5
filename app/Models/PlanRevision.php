<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * @property int $number
 * @property int $content_of
 * @property ?int $previous
 * @property array{name: string, settings?: array<string, string>, stages: list<array{key: string, name: string, fuel: string, changes: list<array{fit?: string, remove?: string, basis?: string, agreed?: float|int, quantity?: int}>}>} $document the whole plan
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
