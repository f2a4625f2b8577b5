<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Carbon;

/**
 * What a shop charges, works with and writes on its papers, from a day on.
 *
 * @property int $id
 * @property int $shop_id
 * @property string $holds_from ISO 8601
 * @property array<string, mixed> $document the shop format without its head
 * @property array<string, mixed> $papers opening hours, words and logo: "papers" of schemas/defs.json
 * @property ?int $author_id
 * @property Carbon $created_at
 * @property-read ?User $author
 */
final class ShopTerms extends Model
{
    public const UPDATED_AT = null;

    protected $table = 'shop_terms';

    /** Those that hold on a day; null before a shop ever changed any. */
    public static function holding(int $shop, string $day): ?self
    {
        return self::of($shop)->where('holds_from', '<=', $day)->orderByDesc('holds_from')->orderByDesc('id')->first();
    }

    /** @return Builder<self> */
    public static function of(int $shop): Builder
    {
        return self::query()->where('shop_id', $shop);
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }

    protected function casts(): array
    {
        return ['document' => 'array', 'papers' => 'array', 'created_at' => 'datetime'];
    }
}
