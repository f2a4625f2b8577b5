<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What became of a component under a load.
 *
 * @property int $id
 * @property int $limit_id
 * @property float $load in the limit's quantity, SI
 * @property ?string $fuel its key
 * @property ?bool $map_sound whether the map was a sound one; null where nobody knows
 * @property string $map_by who wrote the map
 * @property ?string $used_on road or track
 * @property ?int $km
 * @property ?float $hard_share of its driving, 0–1
 * @property bool $broke
 * @property int $months that it lived under it
 * @property string $how
 * @property string $seen_on ISO 8601
 * @property-read ?User $author
 */
final class LimitOutcome extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['fuel' => null, 'map_sound' => null, 'map_by' => '', 'used_on' => null, 'km' => null, 'hard_share' => null, 'months' => 0, 'how' => '', 'author_id' => null];

    protected function casts(): array
    {
        return ['load' => 'float', 'broke' => 'boolean', 'map_sound' => 'boolean', 'hard_share' => 'float'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
