<?php

namespace App\Console\Commands;

use App\Actions\ImportBundle;
use App\Exceptions\Refused;
use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\InvalidDocument;

final class ImportPlan extends Command
{
    use NamesPeople;

    protected $signature = 'plan:import {file : a bundle in the open format} {--customer= : whose job it is to be} {--title= : what the job is called; the plan’s name else} {--shop= : needed where there are several} {--person= : whose address the job is under; the owner else} {--dry-run : say whether it could come in, and change nothing}';

    protected $description = 'Takes a plan with everything it needs in as a job';

    public function handle(ImportBundle $import): int
    {
        $shop = $this->onlyShop((string) $this->option('shop'));
        $author = $shop === null ? null : $this->authorOf($shop, (string) $this->option('person'));
        if ($shop === null || $author === null) {
            return 2;
        }
        $text = (string) @file_get_contents((string) $this->argument('file'));
        $name = json_decode($text, true)['plan']['name'] ?? 'A plan from elsewhere';
        DB::beginTransaction();
        try {
            $job = $import->from($text, (string) ($this->option('customer') ?: 'New customer'), (string) ($this->option('title') ?: $name), $author);
        } catch (InvalidDocument|Refused $fault) {
            DB::rollBack();
            $this->error($fault->getMessage());

            return 2;
        }
        $this->option('dry-run') ? DB::rollBack() : DB::commit();
        $this->info($this->option('dry-run') ? "\"{$job->title}\" could come in. Nothing was changed." : "\"{$job->title}\" is job {$job->id}.");

        return self::SUCCESS;
    }
}
