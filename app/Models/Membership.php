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
 * @property ?CarbonImmutable $accepted_at null while they were asked and did not come yet
 * @property string $invited_as what who asked them calls them
 * @property ?CarbonImmutable $deactivated_at
 * @property-read User $user
 * @property-read Shop $shop
 */
final class Membership extends Model
{
    protected function casts(): array
    {
        return ['role' => Role::class, 'accepted_at' => 'immutable_datetime', 'deactivated_at' => 'immutable_datetime'];
    }

    /** Who was asked in is called as who asked calls them: their own name is theirs to tell. */
    public function calledName(): string
    {
        return $this->accepted_at === null ? $this->invited_as : $this->user->name;
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
