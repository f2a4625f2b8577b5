<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A change of a platform or of one of its parts.
 *
 * @property int $id
 * @property int $platform_id
 * @property int $number counted from 1 on each platform
 * @property string $subject empty for the platform itself, or the key of a part
 * @property ?array<string, mixed> $before null: it was not there
 * @property ?array<string, mixed> $after
 * @property ?int $undoes number of the one that this takes back
 * @property CarbonImmutable $created_at
 * @property-read ?User $author
 */
final class LibraryEdit extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['undoes' => null, 'author_id' => null];

    protected function casts(): array
    {
        return ['before' => 'array', 'after' => 'array', 'created_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
