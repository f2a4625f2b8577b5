<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * Somebody whose cars come to the shop.
 *
 * @phpstan-import-type Writers from CustomerJob
 *
 * @property int $id
 * @property int $shop_id
 * @property string $name
 * @property string $contact
 * @property string $notes
 * @property Writers $writers
 */
final class Customer extends Model
{
    protected $attributes = ['contact' => '', 'notes' => '', 'writers' => '{}'];

    protected function casts(): array
    {
        return ['writers' => 'array'];
    }

    /** @return HasMany<Car, $this> */
    public function cars(): HasMany
    {
        return $this->hasMany(Car::class);
    }
}
