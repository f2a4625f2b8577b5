<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What a revision did is kept as codes with parameters; rows from before keep their label. Briefs say "received", "risk" and
 * "warnings". Summaries hold what the counter shows and no more; those in other units are made anew when somebody asks.
 */
return new class extends Migration
{
    private const RENAMED = ['came' => 'received', 'appetite' => 'risk', 'told' => 'warnings'];

    public function up(): void
    {
        Schema::table('plan_revisions', function (Blueprint $table): void {
            $table->jsonb('change')->nullable();
            $table->string('label', 500)->nullable()->change();
        });
        DB::statement('alter table plan_revisions add constraint plan_revisions_named check (change is not null or label is not null)');
        $this->rename(self::RENAMED, ['usual' => 'normal']);
        DB::statement(<<<'SQL'
            update plans set summaries = '{}', summary = jsonb_set(summary, '{verdict}', coalesce((
                select jsonb_agg(line - 'reasons' order by at) from jsonb_array_elements(summary->'verdict') with ordinality as lines(line, at)
            ), '[]'::jsonb)) where jsonb_exists(summary, 'verdict')
            SQL);
    }

    public function down(): void
    {
        $this->rename(array_flip(self::RENAMED), ['normal' => 'usual']);
        DB::statement('alter table plan_revisions drop constraint plan_revisions_named');
        DB::statement("update plan_revisions set label = 'a change' where label is null");
        Schema::table('plan_revisions', function (Blueprint $table): void {
            $table->dropColumn('change');
            $table->string('label', 500)->nullable(false)->change();
        });
    }

    /**
     * @param  array<string, string>  $keys
     * @param  array<string, string>  $risks  words of the accepted risk
     */
    private function rename(array $keys, array $risks): void
    {
        foreach (['customer_jobs' => 'brief', 'brief_revisions' => 'document'] as $table => $column) {
            foreach ($keys as $from => $to) {
                DB::statement("update {$table} set {$column} = ({$column} - '{$from}') || jsonb_build_object('{$to}', {$column}->'{$from}') where jsonb_exists({$column}, '{$from}')");
            }
            foreach ($risks as $from => $to) {
                DB::statement("update {$table} set {$column} = jsonb_set({$column}, '{risk}', '\"{$to}\"') where {$column}->>'risk' = '{$from}'");
                DB::statement("update {$table} set {$column} = jsonb_set({$column}, '{appetite}', '\"{$to}\"') where {$column}->>'appetite' = '{$from}'");
            }
        }
    }
};
