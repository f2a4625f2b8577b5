<?php

namespace App\Actions;

use App\Actions\Library\KeepLibrary;
use App\Exceptions\Refused;
use App\Identity\Audit;
use App\Models\CustomerJob;
use App\Models\Platform;
use App\Models\User;
use App\Security\Ability;
use App\Security\AuditEvent;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/**
 * Takes a plan with everything it needs, as another shop wrote it, in as a job. Where the shop has the platform, its own figures and
 * prices hold; where it has not, the platform comes with it. Rates and fuels are the shop's own.
 */
final readonly class ImportBundle
{
    public function __construct(private ShopDocuments $documents, private DocumentReader $reader, private OpenJob $open, private KeepLibrary $library, private Audit $audit) {}

    /** @throws InvalidDocument with the path of each fault. */
    public function from(string $text, string $customer, string $title, User $author): CustomerJob
    {
        $document = $this->documents->text('bundle', $text, 'bundle', $author->shop);
        $this->reader->open($document);

        return DB::transaction(function () use ($document, $customer, $title, $author): CustomerJob {
            $platform = Platform::query()->where('shop_id', $author->shop_id)->where('key', $document['platform']['key'])->first() ?? $this->platform($document, $author);

            return $this->open->with($platform, $customer, $title, $document['brief'], $document['plan'], $author, 'bundle');
        });
    }

    /** @param  array<string, mixed>  $document */
    private function platform(array $document, User $author): Platform
    {
        $author->may(Ability::KeepLibrary) || throw Refused::because("The shop has no \"{$document['platform']['name']}\": ask a person who may change the library to take it in, and the platform with it.");
        $change = $this->library->keep($author->shop, $document['platform'], $document['parts']);
        $this->audit->note(AuditEvent::VersionPublished, $author, ['platform' => $change->platform->name, 'version' => $change->version->number], $author->shop_id);

        return $change->platform;
    }
}
