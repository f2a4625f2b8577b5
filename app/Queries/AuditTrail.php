<?php

namespace App\Queries;

use App\Models\AuditEntry;

/** The audit trail of a shop, page by page, the newest first. */
final class AuditTrail
{
    private const PAGE = 50;

    /**
     * @param  int  $before  an entry's id; 0 from the latest
     * @return array{entries: list<array<string, mixed>>, more: bool}
     */
    public static function of(int $shop, int $before): array
    {
        $entries = AuditEntry::query()->where('shop_id', $shop)->when($before > 0, fn ($query) => $query->where('id', '<', $before))->orderByDesc('id')->limit(self::PAGE + 1)->get();

        return [
            'entries' => array_values($entries->take(self::PAGE)->map(fn (AuditEntry $entry): array => [
                'id' => $entry->id,
                'at' => $entry->happened_at->toIso8601String(),
                'who' => $entry->who,
                'what' => $entry->event->words(),
                'details' => implode(', ', array_map(fn (string $key, string|int $value): string => "{$key}: {$value}", array_keys($entry->details), $entry->details)),
                'address' => $entry->address,
            ])->all()),
            'more' => $entries->count() > self::PAGE,
        ];
    }
}
