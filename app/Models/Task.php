<?php

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * Work in the background, and how far it is.
 *
 * @property string $id
 * @property int $shop_id
 * @property ?int $author_id
 * @property string $kind
 * @property string $subject what it is about; one of a kind and subject runs at a time
 * @property string $state waiting, running, done, failed or cancelled
 * @property int $done
 * @property int $of
 * @property string $reason why it failed
 * @property ?array<string, mixed> $result what came of it, of some kinds
 * @property bool $cancel whether somebody wants it to stop
 * @property bool $again whether it was asked for once more while it runs
 * @property ?Carbon $finished_at
 */
final class Task extends Model
{
    use HasUuids;

    public const LIVE = ['waiting', 'running'];

    protected $attributes = ['state' => 'waiting', 'done' => 0, 'of' => 0, 'reason' => '', 'cancel' => false, 'again' => false, 'result' => null];

    protected function casts(): array
    {
        return ['cancel' => 'boolean', 'again' => 'boolean', 'result' => 'array', 'finished_at' => 'datetime'];
    }

    public function isLive(): bool
    {
        return in_array($this->state, self::LIVE, true);
    }
}
