<?php

namespace App\Actions\Library;

use App\Identity\Audit;
use App\Models\Shop;
use App\Models\User;
use App\Security\AuditEvent;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\InvalidDocument;

/** Takes a platform and its parts in the open formats from texts that somebody sent; or says what that would change. */
final readonly class TakeDocuments
{
    public function __construct(private ImportPlatform $import, private Audit $audit) {}

    /** @throws InvalidDocument with document and path of each fault. */
    public function take(Shop $shop, string $platform, string $parts, bool $dry, User $author): TakenLibrary
    {
        DB::beginTransaction();
        try {
            $change = $this->import->texts($shop, $platform, $parts);
            if (! $dry && $change->version->wasRecentlyCreated) {
                $this->audit->note(AuditEvent::VersionPublished, $author, ['platform' => $change->platform->name, 'version' => $change->version->number], $shop->id);
            }
        } catch (InvalidDocument $fault) {
            DB::rollBack();
            throw $fault;
        }
        $dry ? DB::rollBack() : DB::commit();

        return $change;
    }
}
