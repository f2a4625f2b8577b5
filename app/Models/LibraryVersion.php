<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A platform with its parts, as published once; it never changes.
 *
 * @property int $id
 * @property int $platform_id
 * @property int $number
 * @property array<string, mixed> $platform
 * @property list<array<string, mixed>> $parts
 */
final class LibraryVersion extends Model
{
    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['platform' => 'array', 'parts' => 'array'];
    }
}
