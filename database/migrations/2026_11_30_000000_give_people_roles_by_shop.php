<?php

use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** What a person is in a shop is a membership; who was invited has no password yet; addresses are kept in small letters. */
return new class extends Migration
{
    public function up(): void
    {
        Schema::create('memberships', function (Blueprint $table): void {
            $table->id();
            $table->foreignId('shop_id')->constrained()->cascadeOnDelete();
            $table->foreignId('user_id')->constrained()->cascadeOnDelete();
            $table->string('role', 20);
            $table->timestampTz('deactivated_at')->nullable();
            $table->timestampsTz();
            $table->unique(['user_id', 'shop_id']);
            $table->index('shop_id');
        });
        DB::statement("alter table memberships add constraint memberships_role_known check (role in ('owner', 'advisor', 'tuner', 'technician'))");
        DB::statement('insert into memberships (shop_id, user_id, role, created_at, updated_at) select shop_id, id, role, created_at, updated_at from users');
        $twice = DB::table('users')->selectRaw('lower(email) as address')->groupByRaw('lower(email)')->havingRaw('count(*) > 1')->pluck('address');
        if ($twice->isNotEmpty()) {
            throw new RuntimeException("These addresses differ only in their letters' case: {$twice->implode(', ')}. Change all but one of each, then migrate again.");
        }
        DB::statement('update users set email = lower(email)');
        DB::statement('alter table users drop constraint users_role_known');
        Schema::table('users', function (Blueprint $table): void {
            $table->dropColumn(['role', 'remember_token']);
            $table->string('password')->nullable()->change();
            $table->text('second_factor')->nullable();
            $table->boolean('second_factor_on')->default(false);
            $table->bigInteger('second_factor_step')->default(0);
            $table->jsonb('recovery_codes')->nullable();
            $table->timestampTz('signed_in_at')->nullable();
        });
        DB::statement('alter table users add constraint users_email_small check (email = lower(email))');
        Schema::table('shops', fn (Blueprint $table) => $table->boolean('is_demo')->default(false));
        DB::table('shops')->whereExists(fn ($query) => $query->from('users')->whereColumn('users.shop_id', 'shops.id')->where('users.email', 'ines@saltmarsh.test'))->update(['is_demo' => true]);
        Schema::table('sessions', fn (Blueprint $table) => $table->integer('began_at')->default(0));
        DB::table('sessions')->delete();
    }

    public function down(): void
    {
        Schema::table('sessions', fn (Blueprint $table) => $table->dropColumn('began_at'));
        Schema::table('shops', fn (Blueprint $table) => $table->dropColumn('is_demo'));
        DB::statement('alter table users drop constraint users_email_small');
        DB::table('users')->whereNull('password')->update(['password' => '']);
        Schema::table('users', function (Blueprint $table): void {
            $table->dropColumn(['second_factor', 'second_factor_on', 'second_factor_step', 'recovery_codes', 'signed_in_at']);
            $table->string('password')->nullable(false)->change();
            $table->rememberToken();
            $table->string('role', 20)->default('advisor');
        });
        DB::statement("update users set role = case when exists (select 1 from memberships m where m.user_id = users.id and m.shop_id = users.shop_id and m.role = 'owner') then 'owner' else 'advisor' end");
        DB::statement("alter table users add constraint users_role_known check (role in ('advisor', 'owner'))");
        Schema::drop('memberships');
    }
};
