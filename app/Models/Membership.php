<?php

namespace App\Models;

use App\Security\Role;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a person is in a shop.
 *
 * @property int $id
 * @property int $shop_id
 * @property int $user_id
 * @property Role $role
 * @property ?CarbonImmutable $deactivated_at
 * @property-read User $user
 * @property-read Shop $shop
 */
final class Membership extends Model
{
    protected function casts(): array
    {
        return ['role' => Role::class, 'deactivated_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<User, $this> */
    public function user(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Shop, $this> */
    public function shop(): BelongsTo
    {
        return $this->belongsTo(Shop::class);
    }
}
