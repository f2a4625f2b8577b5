<?php

use App\Archive\EvidenceUnits;
use Illuminate\Database\Migrations\Migration;
use Illuminate\Database\Schema\Blueprint;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Schema;

/** Evidence in SI, with its frame and the build it was found on: fuel, map and its writer, use, distance, the driver's share of hard use. */
return new class extends Migration
{
    public function up(): void
    {
        foreach (['evidence_records', 'limit_outcomes'] as $table) {
            Schema::table($table, function (Blueprint $table): void {
                $table->string('fuel', 64)->nullable();
                $table->boolean('map_sound')->nullable();
                $table->string('map_by', 200)->default('');
                $table->string('used_on', 8)->nullable();
                $table->unsignedInteger('km')->nullable();
                $table->double('hard_share')->nullable();
            });
            DB::statement("alter table {$table} add constraint {$table}_build_known check ((used_on is null or used_on in ('road', 'track')) and (hard_share is null or hard_share between 0 and 1))");
        }
        Schema::table('evidence_records', function (Blueprint $table): void {
            $table->string('frame_at', 8)->nullable();
            $table->string('frame_dyno', 16)->nullable();
        });
        DB::statement("alter table evidence_records add constraint evidence_frame_known check ((frame_at is null or frame_at in ('wheels', 'crank')) and (frame_dyno is null or frame_dyno in ('inertia-roller', 'load-roller', 'hub', 'engine')))");
        EvidenceUnits::toSi();
    }

    public function down(): void
    {
        Schema::table('evidence_records', fn (Blueprint $table) => $table->dropColumn(['frame_at', 'frame_dyno']));
        foreach (['evidence_records', 'limit_outcomes'] as $table) {
            Schema::table($table, fn (Blueprint $table) => $table->dropColumn(['fuel', 'map_sound', 'map_by', 'used_on', 'km', 'hard_share']));
        }
    }
};
