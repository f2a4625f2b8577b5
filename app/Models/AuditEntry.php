<?php

namespace App\Models;

use App\Security\AuditEvent;
use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;

/**
 * One line of the audit trail; the database refuses to change or delete it.
 *
 * @property int $id
 * @property ?int $shop_id
 * @property ?int $user_id
 * @property AuditEvent $event
 * @property string $who their name then
 * @property array<string, string|int> $details
 * @property ?string $address of the network
 * @property CarbonImmutable $happened_at
 */
final class AuditEntry extends Model
{
    public const UPDATED_AT = null;

    public const CREATED_AT = 'happened_at';

    protected function casts(): array
    {
        return ['event' => AuditEvent::class, 'details' => 'array', 'happened_at' => 'immutable_datetime'];
    }
}
