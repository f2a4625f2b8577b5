<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * Parts and notes of evidence are found by words and beginnings of words; slips by the words that a shop's things are called by. Row-level
 * security keeps an index of words from being used, since a word's comparison might tell of other shops' rows: these functions look in
 * one shop, and for the web in the one of the request.
 */
return new class extends Migration
{
    private const MINE = "(session_user <> 'pebblerun_web' or \$1 = current_shop())";

    /** Words of three letters and more, and no bare numbers. */
    private const WORDS = "regexp_split_to_table(lower(n.maker || ' ' || n.name), '[^[:alnum:]]+')";

    /** Others whose words are known, and the column that they stand in. */
    private const NAMED = ['platforms' => 'name', 'customers' => 'name'];

    public function up(): void
    {
        DB::statement("create index parts_words on parts using gin (to_tsvector('simple', maker || ' ' || name))");
        DB::statement("create index evidence_records_words on evidence_records using gin (to_tsvector('simple', coalesce(note, '')))");
        Schema::create('shop_words', function (Blueprint $table): void {
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->string('word', 64);
            $table->primary(['shop_id', 'word']);
        });
        DB::unprepared("alter table shop_words enable row level security; create policy one_shop on shop_words using (current_user = 'pebblerun_work' or shop_id = current_shop());");
        $mine = self::MINE;
        $words = self::WORDS;
        DB::unprepared("
            create or replace function found_parts(bigint, tsquery, int) returns setof bigint language sql stable security definer rows 60 set search_path from current as \$\$
                select id from parts where shop_id = \$1 and {$mine} and to_tsvector('simple', maker || ' ' || name) @@ \$2 limit \$3 \$\$;
            create or replace function found_evidence(bigint, tsquery, int) returns setof bigint language sql stable security definer rows 30 set search_path from current as \$\$
                select id from evidence_records where shop_id = \$1 and {$mine} and to_tsvector('simple', coalesce(note, '')) @@ \$2 order by id desc limit \$3 \$\$;
            create or replace function words_like(bigint, text, int) returns setof varchar language sql stable security definer rows 3 set search_path from current as \$\$
                select word from shop_words where shop_id = \$1 and {$mine} and similarity(word, \$2) >= 0.22 order by similarity(word, \$2) desc, word limit \$3 \$\$;
            create or replace function keep_words() returns trigger language plpgsql as \$\$ begin
                insert into shop_words (shop_id, word) select distinct n.shop_id, left(w, 64) from new_rows n, {$words} w where length(w) >= 3 and w !~ '^[0-9]+\$' on conflict do nothing;
                return null;
            end \$\$;
            create or replace function keep_name_words() returns trigger language plpgsql as \$\$ begin
                insert into shop_words (shop_id, word) select distinct n.shop_id, left(w, 64) from new_rows n, regexp_split_to_table(lower(to_jsonb(n)->>tg_argv[0]), '[^[:alnum:]]+') w where length(w) >= 3 and w !~ '^[0-9]+\$' on conflict do nothing;
                return null;
            end \$\$;
            create trigger parts_words_new after insert on parts referencing new table as new_rows for each statement execute function keep_words();
            create trigger parts_words_changed after update on parts referencing new table as new_rows for each statement execute function keep_words();
        ");
        foreach (self::NAMED as $table => $column) {
            DB::unprepared("create trigger {$table}_words_new after insert on {$table} referencing new table as new_rows for each statement execute function keep_name_words('{$column}');
                create trigger {$table}_words_changed after update on {$table} referencing new table as new_rows for each statement execute function keep_name_words('{$column}');
                insert into shop_words (shop_id, word) select distinct n.shop_id, left(w, 64) from {$table} n, regexp_split_to_table(lower(n.{$column}), '[^[:alnum:]]+') w where length(w) >= 3 and w !~ '^[0-9]+\$' on conflict do nothing;");
        }
        DB::statement("insert into shop_words (shop_id, word) select distinct n.shop_id, left(w, 64) from parts n, {$words} w where length(w) >= 3 and w !~ '^[0-9]+\$' on conflict do nothing");
    }

    public function down(): void
    {
        foreach (array_keys(self::NAMED) as $table) {
            DB::unprepared("drop trigger {$table}_words_new on {$table}; drop trigger {$table}_words_changed on {$table};");
        }
        DB::unprepared('drop trigger parts_words_new on parts; drop trigger parts_words_changed on parts; drop function keep_words(); drop function keep_name_words(); drop function words_like(bigint, text, int); drop function found_evidence(bigint, tsquery, int); drop function found_parts(bigint, tsquery, int);');
        Schema::drop('shop_words');
        foreach (['parts_words', 'evidence_records_words'] as $index) {
            DB::statement("drop index {$index}");
        }
    }
};
