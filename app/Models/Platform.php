<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * @property int $id
 * @property int $shop_id
 * @property string $key
 * @property string $name
 * @property-read Shop $shop
 * @property ?array<string, mixed> $document of it what is no row: slots, limits, model years and parts are
 */
final class Platform extends Model
{
    protected function casts(): array
    {
        return ['document' => 'array'];
    }

    /** @return BelongsTo<Shop, $this> */
    public function shop(): BelongsTo
    {
        return $this->belongsTo(Shop::class);
    }

    /** @return HasMany<LibraryVersion, $this> */
    public function versions(): HasMany
    {
        return $this->hasMany(LibraryVersion::class);
    }

    /** The version that a new plan is made with. */
    public function latest(): LibraryVersion
    {
        return $this->versions()->orderByDesc('number')->firstOrFail();
    }
}
