<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * A supplier's price list: sent, looked at, taken in, or taken back.
 *
 * @property string $id
 * @property int $shop_id
 * @property int $supplier_id
 * @property int $author_id
 * @property string $name of the file
 * @property string $state sent, looked, taken or undone
 * @property string $as_of the day of its prices, ISO 8601
 * @property ?array<string, mixed> $matching
 * @property ?int $prices_seen number of the newest price when it was looked at
 * @property CarbonImmutable $created_at
 * @property-read Supplier $supplier
 * @property-read User $author
 * @property-read Shop $shop
 */
final class PriceList extends Model
{
    use HasUuids;

    /** The kind of task that looks at one. */
    public const TAKING = 'taking';

    public const LOOKING = 'price-list-look';

    protected $attributes = ['state' => 'sent'];

    protected function casts(): array
    {
        return ['matching' => 'array', 'created_at' => 'immutable_datetime'];
    }

    /** @return BelongsTo<Supplier, $this> */
    public function supplier(): BelongsTo
    {
        return $this->belongsTo(Supplier::class);
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    /** @return BelongsTo<Shop, $this> */
    public function shop(): BelongsTo
    {
        return $this->belongsTo(Shop::class);
    }
}
