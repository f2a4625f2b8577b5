<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $name
 * @property array<string, string> $units
 * @property array<string, mixed> $document the shop format without its head
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

    /** Inside a transaction: nobody else changes the library of this shop until it ends. */
    public static function holdLibrary(int $shop): void
    {
        self::query()->whereKey($shop)->lock('for no key update')->firstOrFail();
    }

    protected function casts(): array
    {
        return ['units' => 'array', 'document' => 'array'];
    }
}
