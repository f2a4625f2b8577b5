<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * @property int $id
 * @property string $name
 * @property array<string, string> $units
 * @property array<string, mixed> $document the shop format without its head
 * @property array<string, mixed> $papers opening hours, words and logo: "papers" of schemas/defs.json
 * @property ?string $next_terms ISO 8601, the next day from which other terms hold
 * @property bool $is_demo its people's passwords are public
 */
final class Shop extends Model
{
    /** The zone that its days are counted in, of the IANA database. */
    public function timeZone(): string
    {
        return $this->document['time_zone'] ?? 'UTC';
    }

    /** Today's date there, ISO 8601. */
    public function today(): string
    {
        return now($this->timeZone())->toDateString();
    }

    /** Comes to the terms of today, once the day has come from which they hold. */
    public function settleDue(): void
    {
        if ($this->next_terms !== null && $this->next_terms <= $this->today()) {
            DB::transaction(function (): void {
                self::query()->whereKey($this->id)->lockForUpdate()->firstOrFail();
                $this->settle();
            });
        }
    }

    /** Inside a transaction, by whoever holds its row. */
    public function settle(): void
    {
        $today = $this->today();
        $now = ShopTerms::holding($this->id, $today);
        $this->forceFill([
            ...($now === null ? [] : ['name' => $now->document['name'], 'document' => $now->document, 'papers' => $now->papers]),
            'next_terms' => ShopTerms::of($this->id)->where('holds_from', '>', $today)->min('holds_from'),
        ])->save();
    }

    /** Inside a transaction: nobody else changes the library of this shop until it ends. */
    public static function holdLibrary(int $shop): void
    {
        self::query()->whereKey($shop)->lock('for no key update')->firstOrFail();
    }

    protected function casts(): array
    {
        return ['units' => 'array', 'document' => 'array', 'papers' => 'array'];
    }
}
