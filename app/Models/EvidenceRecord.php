<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a gain or a limit rests on: a record with figures of its own, or what is said of the figure in use.
 *
 * @property int $id
 * @property int $shop_id
 * @property ?int $gain_case_id
 * @property ?int $limit_id
 * @property string $kind
 * @property ?string $note
 * @property ?array<string, mixed> $figures power and torque in the shop's units
 * @property ?string $made_on ISO 8601
 * @property string $build that it was measured on
 * @property string $frame dyno and correction
 * @property string $source file or run
 * @property-read ?User $author
 */
final class EvidenceRecord extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['note' => null, 'figures' => null, 'made_on' => null, 'build' => '', 'frame' => '', 'source' => '', 'author_id' => null];

    protected function casts(): array
    {
        return ['figures' => 'array'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
