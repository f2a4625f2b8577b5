<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/**
 * The web's role sees and writes rows of one shop, and only links within it; whose a request is stands in a name that the application
 * signs, so that a statement cannot choose it. Who was asked into a shop belongs to it once they accept. Links to passwords lie as
 * hashes, and what the stand-in for a mail server catches belongs to a shop.
 */
return new class extends Migration
{
    private const SHOP = 'shop_id = (select current_shop())';

    private const AUTHOR = 'is_of_shop(author_id)';

    /** What the web's role sees of a table, and what besides must hold of what it writes. */
    private const TABLES = [
        'platforms' => [self::SHOP, null],
        'customers' => [self::SHOP, null],
        'customer_jobs' => [self::SHOP, '{cars:car_id} and is_plan_of(plan_id, id) and is_of_shop(advisor_id)'],
        'tasks' => [self::SHOP, self::AUTHOR],
        'parts' => [self::SHOP, null],
        'suppliers' => [self::SHOP, null],
        'shop_words' => [self::SHOP, null],
        'requests_done' => [self::SHOP, null],
        'evidence_records' => [self::SHOP, '(gain_case_id is null or {gain_cases:gain_case_id}) and (limit_id is null or {platform_limits:limit_id}) and '.self::AUTHOR],
        'price_lists' => [self::SHOP, '{suppliers:supplier_id} and '.self::AUTHOR],
        'library_versions' => ['{platforms:platform_id}', null],
        'platform_slots' => ['{platforms:platform_id}', null],
        'platform_limits' => ['{platforms:platform_id}', null],
        'platform_years' => ['{platforms:platform_id}', null],
        'library_edits' => ['{platforms:platform_id}', self::AUTHOR],
        'fitments' => ['{parts:part_id}', '{platforms:platform_id}'],
        'prices' => ['{parts:part_id}', self::AUTHOR],
        'gain_cases' => ['{fitments:fitment_id}', null],
        'limit_outcomes' => ['{platform_limits:limit_id}', self::AUTHOR],
        'price_list_rows' => ['{price_lists:price_list_id}', '(part_id is null or {parts:part_id})'],
        'price_list_files' => ['{price_lists:price_list_id}', null],
        'task_files' => ['{tasks:task_id}', null],
        'cars' => ['{customers:customer_id}', '{platforms:platform_id}'],
        'mileage_readings' => ['{cars:car_id}', '(customer_job_id is null or {customer_jobs:customer_job_id})'],
        'plans' => ['{customer_jobs:customer_job_id}', '{library_versions:library_version_id}'],
        'brief_revisions' => ['{customer_jobs:customer_job_id}', self::AUTHOR],
        'presences' => ['{customer_jobs:customer_job_id}', 'is_of_shop(user_id)'],
        'edits' => ['{customer_jobs:customer_job_id}', '(plan_id is null or {plans:plan_id}) and '.self::AUTHOR],
        'plan_revisions' => ['{plans:plan_id}', '{library_versions:library_version_id} and '.self::AUTHOR],
        'plan_variants' => ['{plans:plan_id}', self::AUTHOR],
    ];

    private const CALLED = ['parts', 'platforms', 'customers'];

    private const PEOPLE = ['shops', 'memberships', 'users', 'sessions', 'person_links', 'known_places', 'caught_mails', 'audit_entries'];

    public function up(): void
    {
        $this->tables();
        $this->names();
        $this->dropPolicies();
        foreach (self::TABLES as $table => [$seen, $held]) {
            $sees = $this->written($table, $seen);
            $writes = $held === null ? $sees : "{$sees} and {$this->written($table, $held)}";
            $this->policy($table, 'one_shop', "for all to pebblerun_web using ({$sees}) with check ({$writes})");
            $this->everything($table);
        }
        $this->people();
        $this->words();
    }

    private function dropPolicies(): void
    {
        foreach (DB::select('select tablename, policyname from pg_policies where schemaname = current_schema()') as $policy) {
            DB::unprepared("drop policy {$policy->policyname} on {$policy->tablename}");
        }
    }

    /** "{cars:car_id}": a row of cars, of those that one sees. */
    private function written(string $table, string $condition): string
    {
        return (string) preg_replace('/\{(\w+):(\w+)\}/', "exists (select 1 from \$1 p where p.id = {$table}.\$2)", $condition);
    }

    private function policy(string $table, string $name, string $rest): void
    {
        DB::unprepared("alter table {$table} enable row level security; create policy {$name} on {$table} {$rest}");
    }

    /** Work in the background is for all shops. */
    private function everything(string $table): void
    {
        $this->policy($table, 'work', 'for all to pebblerun_work using (true) with check (true)');
    }

    private function tables(): void
    {
        Schema::table('memberships', function (Blueprint $table): void {
            $table->timestampTz('accepted_at')->nullable();
            $table->string('invited_as', 200)->default('');
        });
        DB::statement('update memberships m set accepted_at = coalesce(m.created_at, now()), invited_as = u.name from users u where u.id = m.user_id and u.password is not null');
        DB::statement('update memberships m set invited_as = u.name from users u where u.id = m.user_id');
        Schema::create('person_links', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('user_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('shop_id')->nullable()->constrained()->cascadeOnDelete();
            $table->string('purpose', 20);
            $table->string('hash', 64)->unique();
            $table->timestampTz('ends_at');
            $table->index('user_id');
        });
        DB::statement("alter table person_links add constraint person_links_purpose_known check (purpose in ('password', 'sign-in', 'first-shop') and (user_id is null) = (purpose = 'first-shop'))");
        Schema::create('known_places', function (Blueprint $table): void {
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('place', 64);
            $table->timestampTz('seen_at');
            $table->primary(['user_id', 'place']);
        });
        DB::table('caught_mails')->delete();
        Schema::table('caught_mails', function (Blueprint $table): void {
            $table->foreignId('shop_id')->nullable()->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->nullable()->constrained()->nullOnDelete();
            $table->index('shop_id');
        });
        Schema::table('tasks', fn (Blueprint $table) => $table->jsonb('result')->nullable());
        DB::statement('alter table tasks alter column reason type text');
        Schema::create('task_files', function (Blueprint $table): void {
            $table->foreignUuid('task_id')->constrained()->cascadeOnDelete();
            $table->string('name', 40);
            $table->primary(['task_id', 'name']);
        });
        DB::statement('alter table task_files add column content bytea not null');
        Schema::create('requests_done', function (Blueprint $table): void {
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->string('request', 40);
            $table->string('asked', 32);
            $table->string('result', 200)->nullable();
            $table->timestampTz('done_at');
            $table->primary(['shop_id', 'request']);
        });
    }

    /** Whose a request is. The key of the signatures is in a schema that only the owner of the tables enters; bin/start puts it there. */
    private function names(): void
    {
        DB::unprepared(<<<'SQL'
            create schema if not exists pebblerun_private;
            create table if not exists pebblerun_private.naming (key text not null);
            create or replace function pebblerun_named(part integer) returns bigint language plpgsql stable parallel safe security definer set search_path = pg_catalog as $$
            declare
                said text[] := string_to_array(nullif(current_setting('pebblerun.named', true), ''), '.');
                secret text;
            begin
                if said is null or array_length(said, 1) <> 3 then
                    return null;
                end if;
                select key into secret from pebblerun_private.naming;
                if secret is null or said[3] <> left(encode(sha256(convert_to(secret || said[1] || '.' || said[2] || secret, 'UTF8')), 'hex'), 32) then
                    return null;
                end if;
                return nullif(said[part], '')::bigint;
            end $$;
            create or replace function current_shop() returns bigint language sql stable parallel safe as $$ select pebblerun_named(1) $$;
            create or replace function current_person() returns bigint language sql stable parallel safe as $$ select pebblerun_named(2) $$;
            SQL);
        // Of the schema that this is made in, whatever a caller's path is.
        $schema = DB::scalar('select current_schema()');
        DB::unprepared("
            create or replace function is_of_shop(person bigint) returns boolean language sql stable security definer set search_path = {$schema}, pg_temp as \$\$
                select person is null or exists (select 1 from memberships m where m.user_id = person and m.shop_id = current_shop()) \$\$;
            create or replace function is_plan_of(plan bigint, job bigint) returns boolean language sql stable security definer set search_path = {$schema}, pg_temp as \$\$
                select plan is null or exists (select 1 from plans p where p.id = plan and p.customer_job_id = job) \$\$;
            create or replace function has_nobody(shop bigint) returns boolean language sql stable security definer set search_path = {$schema}, pg_temp as \$\$
                select not exists (select 1 from memberships m where m.shop_id = shop) \$\$;
            create or replace function belongs_elsewhere(person bigint, shop bigint) returns boolean language sql stable security definer set search_path = {$schema}, pg_temp as \$\$
                select exists (select 1 from memberships m where m.user_id = person and m.shop_id <> shop) \$\$;
            create or replace function is_called(person bigint, name text) returns boolean language sql stable security definer set search_path = {$schema}, pg_temp as \$\$
                select exists (select 1 from users u where u.id = person and u.name = \$2) \$\$;
            create or replace function has_demo() returns boolean language sql stable security definer set search_path = {$schema}, pg_temp as \$\$ select exists (select 1 from shops where is_demo) \$\$;
            create or replace function installation() returns text language sql stable security definer set search_path = {$schema}, pg_temp as \$\$
                select case when count(*) = 0 then 'nothing' when bool_and(is_demo) then 'demo' else 'shops' end from shops \$\$;
        ");
    }

    /** Words that things were found by go with the last thing that is called so. */
    private function words(): void
    {
        DB::unprepared(<<<'SQL'
            create or replace function forget_words() returns trigger language plpgsql as $$ begin
                delete from shop_words s using (
                    select distinct o.shop_id, left(w, 64) as word
                    from old_rows o, regexp_split_to_table(lower(coalesce(to_jsonb(o)->>'maker', '') || ' ' || (to_jsonb(o)->>'name')), '[^[:alnum:]]+') w where length(w) >= 3 and w !~ '^[0-9]+$') gone
                where s.shop_id = gone.shop_id and s.word = gone.word
                    and not exists (select 1 from found_parts(gone.shop_id, to_tsquery('simple', quote_literal(gone.word) || ':*'), 1))
                    and not exists (select 1 from platforms p where p.shop_id = gone.shop_id and lower(p.name) like '%' || gone.word || '%')
                    and not exists (select 1 from customers c where c.shop_id = gone.shop_id and lower(c.name) like '%' || gone.word || '%');
                return null;
            end $$;
            SQL);
        foreach (self::CALLED as $table) {
            DB::unprepared("create trigger {$table}_words_gone after delete on {$table} referencing old table as old_rows for each statement execute function forget_words()");
        }
    }

    /** Sign-in must find anybody, and sessions by their name; what is written is one's own, or of one's shop. */
    private function people(): void
    {
        $self = '(select current_person())';
        $this->policy('shops', 'one_shop', 'for all to pebblerun_web using (id = (select current_shop()) or exists (select 1 from memberships m where m.shop_id = shops.id and m.user_id = '.$self.')) with check (id = (select current_shop()))');
        $this->policy('memberships', 'sees', 'for select to pebblerun_web using ('.self::SHOP." or user_id = {$self})");
        $this->policy('memberships', 'asks', 'for insert to pebblerun_web with check ('.self::SHOP." and (user_id <> {$self} or has_nobody(shop_id)))");
        $this->policy('memberships', 'changes', 'for update to pebblerun_web using ('.self::SHOP." or user_id = {$self}) with check (".self::SHOP." or user_id = {$self})");
        $this->policy('memberships', 'goes', 'for delete to pebblerun_web using ('.self::SHOP." or user_id = {$self})");
        DB::unprepared('create or replace function memberships_stay() returns trigger language plpgsql as $$ begin
                if new.shop_id <> old.shop_id or new.user_id <> old.user_id then
                    raise insufficient_privilege using message = \'a membership stays with its shop and its person\';
                end if;
                if new.shop_id is distinct from current_shop() and current_user = \'pebblerun_web\' and (new.role, new.deactivated_at) is distinct from (old.role, old.deactivated_at) then
                    raise insufficient_privilege using message = \'what somebody is in a shop is for its owner to say\';
                end if;
                return new;
            end $$;
            create trigger memberships_stay before update on memberships for each row execute function memberships_stay()');
        $this->policy('users', 'sees', 'for select to pebblerun_web using (true)');
        $this->policy('users', 'asks', 'for insert to pebblerun_web with check (password is null and '.self::SHOP.')');
        $this->policy('users', 'changes', "for update to pebblerun_web using (id = {$self}) with check (id = {$self})");
        $this->policy('sessions', 'sees', 'for select to pebblerun_web using (true)');
        $this->policy('sessions', 'begins', "for insert to pebblerun_web with check (user_id = {$self})");
        $this->policy('sessions', 'goes_on', "for update to pebblerun_web using (user_id = {$self}) with check (user_id = {$self})");
        $this->policy('sessions', 'ends', 'for delete to pebblerun_web using (true)');
        $this->policy('person_links', 'sees', 'for select to pebblerun_web using (true)');
        // The web asks people in who have no password yet; every other link is made in the background.
        $this->policy('person_links', 'asks', "for insert to pebblerun_web with check (purpose = 'password' and ".self::SHOP.' and is_of_shop(user_id) and exists (select 1 from users u where u.id = user_id and u.password is null))');
        $this->policy('person_links', 'uses', 'for delete to pebblerun_web using (true)');
        $this->policy('known_places', 'own', "for all to pebblerun_web using (true) with check (user_id = {$self})");
        $this->policy('caught_mails', 'one_shop', 'for select to pebblerun_web using ('.self::SHOP.')');
        $this->policy('audit_entries', 'one_shop_reads', 'for select to pebblerun_web using ('.self::SHOP.')');
        $this->policy('audit_entries', 'adds_own', 'for insert to pebblerun_web with check ('.self::SHOP." and user_id = {$self} and is_called(user_id, who) and happened_at between now() - interval '1 minute' and now() + interval '1 minute')");
        array_map($this->everything(...), self::PEOPLE);
    }

    public function down(): void
    {
        foreach (self::CALLED as $table) {
            DB::unprepared("drop trigger {$table}_words_gone on {$table}");
        }
        DB::unprepared('drop function forget_words()');
        $this->dropPolicies();
        foreach (self::TABLES as $table => [$seen]) {
            in_array($table, ['task_files', 'requests_done'], true) || DB::unprepared("create policy one_shop on {$table} using (current_user = 'pebblerun_work' or {$this->written($table, $seen)})");
        }
        foreach (self::PEOPLE as $table) {
            $table === 'audit_entries' || DB::unprepared("alter table {$table} disable row level security");
        }
        DB::unprepared("create policy one_shop_reads on audit_entries for select using (current_user = 'pebblerun_work' or shop_id = current_shop()); create policy everybody_adds on audit_entries for insert with check (true)");
        DB::unprepared('drop trigger memberships_stay on memberships; drop function memberships_stay(); drop function installation(); drop function has_demo(); drop function is_called(bigint, text); drop function belongs_elsewhere(bigint, bigint); drop function has_nobody(bigint); drop function is_plan_of(bigint, bigint); drop function is_of_shop(bigint); drop function current_person()');
        DB::unprepared("create or replace function current_shop() returns bigint language sql stable parallel safe as \$\$ select nullif(current_setting('pebblerun.shop', true), '')::bigint \$\$; drop function pebblerun_named(integer)");
        Schema::drop('task_files');
        Schema::drop('known_places');
        Schema::drop('person_links');
        Schema::drop('requests_done');
        Schema::table('tasks', fn (Blueprint $table) => $table->dropColumn('result'));
        DB::statement('alter table tasks alter column reason type varchar(1000) using left(reason, 1000)');
        Schema::table('caught_mails', fn (Blueprint $table) => $table->dropColumn(['shop_id', 'user_id']));
        Schema::table('memberships', fn (Blueprint $table) => $table->dropColumn(['accepted_at', 'invited_as']));
    }
};
