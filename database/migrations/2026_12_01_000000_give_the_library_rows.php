<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * What a platform is made of, part by part, as rows that others can point at: slots, limits, model years, parts, where they fit, their
 * gain cases, evidence and prices. A published version freezes figures and not prices; its fingerprint names both.
 */
return new class extends Migration
{
    /** Lists of a platform that are rows, and what is read from the list of a document. */
    private const LISTS = ['platform_slots' => 'slots', 'platform_limits' => 'limits', 'platform_years' => 'year_changes'];

    /** Money of a price, which nobody pins; hours are figures of the fitment. */
    private const MONEY = "array['new', 'used', 'consumables', 'resale', 'revision', 'as_of']";

    private const OF_THE_PART = "array['tags', 'contains', 'law', 'cautions']";

    private const OF_A_SHOP = ['parts', 'evidence_records'];

    /** Table, its column, and the table that it points at. */
    private const OF_SOMETHING = [
        ['platform_slots', 'platform_id', 'platforms'], ['platform_limits', 'platform_id', 'platforms'], ['platform_years', 'platform_id', 'platforms'],
        ['fitments', 'part_id', 'parts'], ['prices', 'part_id', 'parts'], ['gain_cases', 'fitment_id', 'fitments'],
    ];

    public function up(): void
    {
        Schema::table('platforms', fn (Blueprint $table) => $table->jsonb('document')->nullable());
        Schema::table('library_versions', fn (Blueprint $table) => $table->char('content', 32)->nullable());
        $this->tables();
        $this->fill();
        $this->keepApart();
    }

    private function tables(): void
    {
        foreach (array_keys(self::LISTS) as $name) {
            Schema::create($name, function (Blueprint $table): void {
                $table->id();
                $table->foreignId('platform_id')->constrained()->cascadeOnDelete();
                $table->string('key', 64);
                $table->unsignedInteger('place');
                $table->jsonb('document');
                $table->unique(['platform_id', 'place']);
            });
        }
        Schema::create('parts', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->string('key', 64);
            $table->string('maker');
            $table->string('name');
            $table->jsonb('document');
            $table->timestampsTz();
            $table->unique(['shop_id', 'key']);
        });
        Schema::create('fitments', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->constrained()->cascadeOnDelete();
            $table->foreignId('platform_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('place');
            $table->jsonb('document');
            // Since when the part is no longer offered there; plans that have it keep it.
            $table->timestampTz('left_at')->nullable();
            $table->unique(['part_id', 'platform_id']);
            $table->index(['platform_id', 'place']);
        });
        Schema::create('gain_cases', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('fitment_id')->constrained()->cascadeOnDelete();
            $table->unsignedInteger('place');
            $table->jsonb('document');
            $table->unique(['fitment_id', 'place']);
        });
        Schema::create('prices', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('part_id')->constrained()->cascadeOnDelete();
            $table->date('as_of')->nullable();
            $table->jsonb('money');
            $table->string('source', 500)->default('');
            $table->foreignId('author_id')->nullable()->constrained('users');
            $table->timestampTz('created_at');
            $table->index(['part_id', 'as_of', 'id']);
        });
        Schema::create('evidence_records', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('gain_case_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('limit_id')->nullable()->constrained('platform_limits')->cascadeOnDelete();
            $table->string('kind', 32);
            $table->text('note')->nullable();
            $table->foreignId('author_id')->nullable()->constrained('users');
            $table->timestampTz('created_at');
            $table->index('gain_case_id');
            $table->index('limit_id');
        });
        DB::statement('alter table evidence_records add constraint evidence_of_one_thing check (num_nonnulls(gain_case_id, limit_id) = 1)');
    }

    /** From the newest version of every platform. */
    private function fill(): void
    {
        DB::statement('create temporary table newest on commit drop as select distinct on (v.platform_id) v.platform_id, p.shop_id, v.platform::jsonb as platform, v.parts::jsonb as parts from library_versions v join platforms p on p.id = v.platform_id order by v.platform_id, v.number desc');
        $lists = "array['".implode("', '", self::LISTS)."']";
        DB::statement("update platforms p set document = n.platform - {$lists} from newest n where n.platform_id = p.id");
        foreach (self::LISTS as $table => $list) {
            $evidence = $table === 'platform_limits' ? " - 'evidence'" : '';
            DB::statement("insert into {$table} (platform_id, key, place, document)
                select n.platform_id, coalesce(one.value->>'key', ''), one.place, one.value{$evidence} from newest n, jsonb_array_elements(coalesce(n.platform->'{$list}', '[]')) with ordinality as one(value, place)");
        }
        DB::statement("insert into evidence_records (shop_id, limit_id, kind, note, created_at)
            select n.shop_id, l.id, one.value->'evidence'->>'kind', one.value->'evidence'->>'note', now()
            from newest n, jsonb_array_elements(n.platform->'limits') with ordinality as one(value, place), platform_limits l where l.platform_id = n.platform_id and l.place = one.place");

        DB::statement('create temporary table one_part on commit drop as select n.platform_id, n.shop_id, one.value as part, one.place from newest n, jsonb_array_elements(n.parts) with ordinality as one(value, place)');
        $own = self::OF_THE_PART;
        $money = self::MONEY;
        DB::statement("insert into parts (shop_id, key, maker, name, document, created_at, updated_at)
            select shop_id, part->>'key', part->>'maker', part->>'name', (select coalesce(jsonb_object_agg(key, value), '{}') from jsonb_each(part) where key = any({$own})), now(), now() from one_part order by platform_id, place
            on conflict do nothing");
        DB::statement("insert into fitments (part_id, platform_id, place, document)
            select p.id, o.platform_id, o.place, (o.part - {$own} - array['key', 'maker', 'name', 'gains']) || jsonb_build_object('price', (o.part->'price') - {$money})
            from one_part o join parts p on p.shop_id = o.shop_id and p.key = o.part->>'key' order by o.platform_id, o.place");
        DB::statement("insert into prices (part_id, as_of, money, created_at)
            select distinct on (p.id) p.id, (o.part->'price'->>'as_of')::date, (select jsonb_object_agg(key, value) from jsonb_each(o.part->'price') where key = any({$money}) and key <> 'as_of'), now()
            from one_part o join parts p on p.shop_id = o.shop_id and p.key = o.part->>'key' order by p.id, o.platform_id");
        DB::statement("insert into gain_cases (fitment_id, place, document)
            select f.id, one.place, one.value - 'evidence' from one_part o join parts p on p.shop_id = o.shop_id and p.key = o.part->>'key' join fitments f on f.part_id = p.id and f.platform_id = o.platform_id,
            jsonb_array_elements(coalesce(o.part->'gains', '[]')) with ordinality as one(value, place)");
        DB::statement("insert into evidence_records (shop_id, gain_case_id, kind, note, created_at)
            select o.shop_id, g.id, one.value->'evidence'->>'kind', one.value->'evidence'->>'note', now()
            from one_part o join parts p on p.shop_id = o.shop_id and p.key = o.part->>'key' join fitments f on f.part_id = p.id and f.platform_id = o.platform_id,
            jsonb_array_elements(coalesce(o.part->'gains', '[]')) with ordinality as one(value, place), gain_cases g where g.fitment_id = f.id and g.place = one.place");
        // The content of a version keeps its name; what is shown with today's prices gets another when a price changes.
        DB::statement('update library_versions set content = fingerprint');
        DB::statement('alter table library_versions alter content set not null');
        DB::statement('drop table one_part');
        DB::statement('drop table newest');
    }

    private function keepApart(): void
    {
        foreach (self::OF_A_SHOP as $table) {
            $this->keep($table, 'shop_id = current_shop()');
        }
        foreach (self::OF_SOMETHING as [$table, $column, $parent]) {
            // What it points at is kept apart by its own policy.
            $this->keep($table, "exists (select 1 from {$parent} p where p.id = {$table}.{$column})");
        }
    }

    private function keep(string $table, string $condition): void
    {
        DB::unprepared("alter table {$table} enable row level security; create policy one_shop on {$table} using (current_user = 'pebblerun_work' or {$condition});");
    }

    public function down(): void
    {
        foreach (['evidence_records', 'prices', 'gain_cases', 'fitments', 'parts', ...array_keys(self::LISTS)] as $table) {
            Schema::drop($table);
        }
        DB::statement('update library_versions set fingerprint = content');
        Schema::table('library_versions', fn (Blueprint $table) => $table->dropColumn('content'));
        Schema::table('platforms', fn (Blueprint $table) => $table->dropColumn('document'));
    }
};
