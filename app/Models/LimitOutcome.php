<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What became of a component under a load.
 *
 * @property int $id
 * @property int $limit_id
 * @property float $load in the limit's quantity and the shop's units
 * @property bool $broke
 * @property int $months that it lived under it
 * @property string $how
 * @property string $seen_on ISO 8601
 * @property-read ?User $author
 */
final class LimitOutcome extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['months' => 0, 'how' => '', 'author_id' => null];

    protected function casts(): array
    {
        return ['load' => 'float', 'broke' => 'boolean'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
