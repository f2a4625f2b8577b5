<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * A platform with its parts, as published once; it never changes.
 *
 * @property int $id
 * @property int $platform_id
 * @property int $number
 * @property string $fingerprint of its content
 */
final class LibraryVersion extends Model
{
    public const UPDATED_AT = null;

    protected function casts(): array
    {
        return ['platform' => 'array', 'parts' => 'array'];
    }

    /** Without its content, which is large: App\Assembly\Libraries gives that. */
    public const LIGHT = ['id', 'platform_id', 'number', 'fingerprint'];
}
