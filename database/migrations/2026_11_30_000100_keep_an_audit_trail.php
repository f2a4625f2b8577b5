<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What matters for trust, and what the mail catcher caught. Nobody changes or deletes a line of the trail. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('audit_entries', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->nullable()->constrained();
            $table->foreignId('user_id')->nullable()->constrained();
            $table->string('event', 40);
            $table->string('who');
            $table->jsonb('details');
            $table->string('address', 45)->nullable();
            $table->timestampTz('happened_at')->useCurrent();
            $table->index(['shop_id', 'id']);
        });
        DB::unprepared(<<<'SQL'
            create or replace function audit_entries_stay() returns trigger language plpgsql as $$
            begin
                raise exception 'the audit trail is only ever added to' using errcode = 'insufficient_privilege';
            end $$;
            create trigger audit_entries_stay before update or delete on audit_entries for each row execute function audit_entries_stay();
            create trigger audit_entries_stay_whole before truncate on audit_entries for each statement execute function audit_entries_stay();
            do $$ begin
                if exists (select from pg_roles where rolname = 'pebblerun_web') then
                    revoke update, delete on audit_entries from pebblerun_web;
                end if;
                if exists (select from pg_roles where rolname = 'pebblerun_work') then
                    revoke update, delete on audit_entries from pebblerun_work;
                end if;
            end $$;
            SQL);
        Schema::create('caught_mails', function (Blueprint $table): void {
            $table->id();
            $table->string('recipients', 1000);
            $table->string('subject', 400);
            $table->text('body');
            $table->timestampTz('caught_at')->useCurrent();
        });
    }

    public function down(): void
    {
        Schema::drop('caught_mails');
        Schema::drop('audit_entries');
        DB::statement('drop function audit_entries_stay()');
    }
};
