<?php

namespace Tests\Feature;

use App\Backup\LastBackup;
use App\Queries\Health;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** How it is, for monitors and for the owner. */
final class HealthTest extends TestCase
{
    /** @return array<string, string> state by name */
    private function states(): array
    {
        return (array) $this->getJson('/up')->json();
    }

    public function test_a_silent_scheduler_and_work_that_waits_are_bad_and_the_monitor_says_503(): void
    {
        self::assertSame('good', $this->states()['Database']);
        self::assertSame('bad', $this->states()['Scheduler']);
        $this->getJson('/up')->assertStatus(503);
        Cache::put(Health::BEAT, time() - 30);
        self::assertSame('good', $this->states()['Scheduler']);
        Cache::put(Health::BEAT, time() - 400);
        self::assertSame('bad', $this->states()['Scheduler']);
        $row = ['queue' => 'default', 'payload' => '{}', 'attempts' => 0, 'created_at' => time()];
        DB::table('jobs')->insert([...$row, 'available_at' => time() - 60]);
        self::assertSame('good', $this->states()['Work in the background']);
        DB::table('failed_jobs')->insert(['uuid' => 'x', 'connection' => 'database', 'queue' => 'default', 'payload' => '{}', 'exception' => 'x', 'failed_at' => now()]);
        self::assertSame('doubtful', $this->states()['Work in the background']);
        DB::table('jobs')->insert([...$row, 'available_at' => time() - 600]);
        self::assertSame('bad', $this->states()['Work in the background']);
    }

    public function test_it_is_good_where_all_of_it_runs(): void
    {
        Cache::put(Health::BEAT, time());
        $server = stream_socket_server('tcp://127.0.0.1:0');
        self::assertNotFalse($server);
        config(['mail.mailers.smtp.host' => '127.0.0.1', 'mail.mailers.smtp.port' => (int) substr((string) strrchr((string) stream_socket_get_name($server, false), ':'), 1)]);
        self::assertSame('good', $this->states()['Mail']);
        fclose($server);
        self::assertSame('bad', $this->states()['Mail']);
    }

    public function test_a_backup_of_yesterday_is_good_and_none_is_doubtful(): void
    {
        self::assertSame('doubtful', $this->states()['Backup']);
        LastBackup::note(time() - 80_000);
        self::assertSame('good', $this->states()['Backup']);
        LastBackup::note(time() - 200_000);
        self::assertSame('doubtful', $this->states()['Backup']);
    }

    public function test_the_owner_reads_it_in_words(): void
    {
        $this->actingAs($this->person('owner'))->get('/health')->assertOk()->assertSee('answers in')->assertSee((string) config('pebblerun.version'));
        $this->actingAs($this->person('advisor'))->get('/health')->assertForbidden();
    }
}
