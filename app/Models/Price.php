<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a part cost on a day; the newest is what plans use.
 *
 * @property int $id
 * @property int $part_id
 * @property ?string $as_of
 * @property array<string, mixed> $money in the shop's currency
 * @property string $source
 * @property CarbonImmutable $created_at
 * @property-read ?User $author
 */
final class Price extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['source' => '', 'author_id' => null];

    protected function casts(): array
    {
        return ['money' => 'array', 'created_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Part, $this> */
    public function part(): BelongsTo
    {
        return $this->belongsTo(Part::class);
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
