<?php

namespace App\Console\Commands;

use App\Actions\Library\ImportPlatform;
use App\Actions\Library\TakenLibrary;
use App\Identity\Audit;
use App\Security\AuditEvent;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\InvalidDocument;

final class ImportLibrary extends Command
{
    use NamesPeople;

    protected $signature = 'library:import {platform : a platform in the open format} {parts : its parts} {--shop= : into whose library; needed where there are several} {--dry-run : say what would change, and change nothing}';

    protected $description = 'Takes a platform and its parts into a shop’s library: changed figures are its next version, changed prices are added';

    public function handle(ImportPlatform $import, Audit $audit): int
    {
        $shop = $this->onlyShop((string) $this->option('shop'));
        if ($shop === null) {
            return 2;
        }
        DB::beginTransaction();
        try {
            $change = $import->from($shop, (string) $this->argument('platform'), (string) $this->argument('parts'));
        } catch (InvalidDocument $fault) {
            DB::rollBack();
            $this->error($fault->getMessage());

            return 2;
        }
        if ($change->version->wasRecentlyCreated) {
            $audit->note(AuditEvent::VersionPublished, null, ['platform' => $change->platform->name, 'version' => $change->version->number], $shop->id);
        }
        $this->option('dry-run') ? DB::rollBack() : DB::commit();
        $this->say($change);

        return self::SUCCESS;
    }

    private function say(TakenLibrary $change): void
    {
        $dry = (bool) $this->option('dry-run');
        $this->info("{$change->platform->name}: ".($dry ? 'it would be' : 'it is')." version {$change->version->number}.");
        foreach (['added' => $change->added, 'changed' => $change->changed, 'no longer offered' => $change->gone] as $word => $parts) {
            $parts === [] || $this->line(sprintf('  %-18s %d: %s', $word, count($parts), implode(', ', $parts)));
        }
        $this->line(sprintf('  %-18s %d', 'unchanged', $change->unchanged));
        $this->line(sprintf('  %-18s %d', 'new prices', $change->prices));
        $dry && $this->line('Nothing was changed.');
    }
}
