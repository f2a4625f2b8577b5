<?php

namespace App\Identity;

use App\Models\AuditEntry;
use App\Models\User;
use App\Security\AuditEvent;
use Illuminate\Http\Request;

/** Adds to the audit trail. */
final readonly class Audit
{
    public function __construct(private Request $request) {}

    /**
     * @param  ?User  $by  null for somebody at the command line or nobody known
     * @param  ?int  $shop  that it concerns; the person's where it is not given
     * @param  array<string, string|int>  $details
     */
    public function note(AuditEvent $event, ?User $by, array $details = [], ?int $shop = null): void
    {
        // Nothing is asked back: who adds a line may not be let to read it.
        AuditEntry::query()->toBase()->insert([
            'shop_id' => $shop ?? $by?->shop_id,
            'user_id' => $by?->id,
            'event' => $event->value,
            'who' => $by->name ?? (app()->runningInConsole() ? 'command line' : 'somebody'),
            'details' => json_encode($details, JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE),
            'address' => app()->runningInConsole() ? null : $this->request->ip(),
            'happened_at' => now(),
        ]);
    }
}
