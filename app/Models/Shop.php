<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;

/**
 * @property int $id
 * @property string $name
 * @property array<string, string> $units
 * @property array<string, mixed> $document the shop format without its head
 */
final class Shop extends Model
{
    protected function casts(): array
    {
        return ['units' => 'array', 'document' => 'array'];
    }
}
