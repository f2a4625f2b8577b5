<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A link that was sent: only its hash is kept.
 *
 * @property int $id
 * @property ?int $user_id
 * @property ?int $shop_id that its person comes into by it
 * @property string $purpose
 * @property CarbonImmutable $ends_at
 * @property-read ?User $user
 */
final class PersonLink extends Model
{
    public $timestamps = false;

    protected function casts(): array
    {
        return ['ends_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
