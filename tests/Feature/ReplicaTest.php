<?php

namespace Tests\Feature;

use App\Database\Replica;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Tests\TestCase;

/** Lists never come from a server that may be behind; one that is has its own trial with real servers (bin/cluster). */
final class ReplicaTest extends TestCase
{
    public function test_without_one_lists_are_read_where_they_are_written(): void
    {
        self::assertSame('pgsql', app(Replica::class)->read(fn (): string => DB::getDefaultConnection()));
    }

    public function test_a_server_that_is_no_replica_any_more_is_passed_over(): void
    {
        config(['database.connections.replica' => config('database.connections.pgsql')]);
        self::assertSame('pgsql', app(Replica::class)->read(fn (): string => DB::getDefaultConnection()));
        self::assertNull(Cache::get('replica away'), 'it answers, so it is asked again');
    }

    public function test_one_that_does_not_answer_is_left_alone_for_a_while(): void
    {
        config(['database.connections.replica' => [...(array) config('database.connections.pgsql'), 'port' => 1]]);
        self::assertSame('pgsql', app(Replica::class)->read(fn (): string => DB::getDefaultConnection()));
        self::assertTrue(Cache::get('replica away'));
        $this->actingAs($this->person('advisor'))->get('/')->assertOk();
    }
}
