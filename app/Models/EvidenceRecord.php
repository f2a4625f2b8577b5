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
 * @property ?array<string, mixed> $figures power and torque, or safe and edge, in SI
 * @property ?string $fuel its key
 * @property ?bool $map_sound whether the map was a sound one; null where nobody knows
 * @property string $map_by who wrote the map
 * @property ?string $used_on road or track
 * @property ?int $km
 * @property ?float $hard_share of its driving, 0–1
 * @property ?string $frame_at wheels or crank, where its figures were read
 * @property ?string $frame_dyno kind of dyno, where it is not the shop's own
 * @property ?string $made_on ISO 8601
 * @property string $build that it was measured on
 * @property string $frame correction, and what else is to be said of the dyno
 * @property string $source file or run
 * @property-read ?User $author
 */
final class EvidenceRecord extends Model
{
    public const UPDATED_AT = null;

    protected $attributes = ['fuel' => null, 'map_sound' => null, 'map_by' => '', 'used_on' => null, 'km' => null, 'hard_share' => null, 'frame_at' => null, 'frame_dyno' => null, 'note' => null, 'figures' => null, 'made_on' => null, 'build' => '', 'frame' => '', 'source' => '', 'author_id' => null];

    protected function casts(): array
    {
        return ['figures' => 'array', 'map_sound' => 'boolean', 'hard_share' => 'float'];
    }

    /** @return BelongsTo<User, $this> */
    public function author(): BelongsTo
    {
        return $this->belongsTo(User::class);
    }
}
