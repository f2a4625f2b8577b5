<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A part of a shop's library; what it does on a platform is a fitment.
 *
 * @property int $id
 * @property int $shop_id
 * @property string $key
 * @property string $name
 * @property string $maker
 */
final class Part extends Model
{
    /** @return HasMany<Price, $this> the newest first */
    public function prices(): HasMany
    {
        return $this->hasMany(Price::class)->orderByRaw('as_of desc nulls last')->orderByDesc('id');
    }
}
