<?php

namespace Tests\Feature;

use App\Logging\BoundedFile;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Route;
use LogicException;
use Monolog\Logger;
use Tests\TestCase;

/** The log never grows without end, is for its user alone, and says what is not to be said twice once. */
final class LogTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/pebblerun-log-'.bin2hex(random_bytes(4));
        mkdir($this->folder, 0700);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    private function log(): Logger
    {
        return BoundedFile::logger(['path' => "{$this->folder}/x.log", 'bytes' => 5_000, 'older' => 2, 'level' => 'info']);
    }

    public function test_it_is_bounded_by_size_with_so_many_older_ones(): void
    {
        $log = $this->log();
        for ($n = 0; $n < 400; $n++) {
            $log->error("line {$n} ".str_repeat('x', 100));
        }
        $files = glob("{$this->folder}/*") ?: [];
        self::assertSame(['x.log', 'x.log.1', 'x.log.2'], array_map(basename(...), $files));
        foreach ($files as $file) {
            self::assertLessThan(5_300, filesize($file));
            self::assertSame('600', substr(sprintf('%o', fileperms($file)), -3));
        }
        self::assertStringContainsString('line 399 ', (string) file_get_contents("{$this->folder}/x.log"));
    }

    public function test_nobody_writes_an_entry_by_what_they_send(): void
    {
        $this->log()->error("x\n[2026-01-01 00:00:00] pebblerun.ERROR: forged\r\x1b[2J");
        $lines = explode("\n", rtrim((string) file_get_contents("{$this->folder}/x.log")));
        self::assertCount(1, array_filter($lines, fn (string $line): bool => str_starts_with($line, '[')));
        self::assertStringNotContainsString("\x1b", implode('', $lines));
        $this->log()->error(str_repeat('long ', 20_000));
        self::assertLessThan(14_000, filesize("{$this->folder}/x.log"));
    }

    public function test_a_disk_that_takes_nothing_keeps_nobody_from_being_answered(): void
    {
        file_put_contents("{$this->folder}/none", '');
        config(['logging.default' => 'file', 'logging.channels.file' => [...(array) config('logging.channels.file'), 'path' => "{$this->folder}/none/x.log"]]);
        Route::get('/logs', function (): string {
            Log::error('x');

            return 'answered';
        });
        $this->get('/logs')->assertOk()->assertSee('answered');
    }

    public function test_what_strangers_make_fail_is_told_once_and_counted(): void
    {
        config(['logging.default' => 'file', 'logging.channels.file' => [...(array) config('logging.channels.file'), 'path' => "{$this->folder}/x.log", 'bytes' => 1_000_000]]);
        Route::get('/breaks', fn () => throw new LogicException('broken'));
        Cache::flush();
        for ($n = 0; $n < 25; $n++) {
            $this->get('/breaks')->assertStatus(500);
        }
        $log = (string) file_get_contents("{$this->folder}/x.log");
        self::assertSame(1, substr_count($log, '[stacktrace]'));
        self::assertSame(1, substr_count($log, '10 times in an hour for strangers: LogicException at LogTest.php'));
        $this->actingAs($this->person('owner'));
        Auth::user();
        $this->get('/breaks')->assertStatus(500);
        $this->get('/breaks')->assertStatus(500);
        self::assertSame(3, substr_count((string) file_get_contents("{$this->folder}/x.log"), '[stacktrace]'), 'what fails for who is signed in is told each time');
    }
}
