<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * @property int $number
 * @property array<string, mixed> $document
 * @property-read User $author
 */
final class BriefRevision extends Model
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
