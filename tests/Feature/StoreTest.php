<?php

namespace Tests\Feature;

use App\Backup\BackupFailed;
use App\Backup\Store;
use Illuminate\Filesystem\FilesystemAdapter;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\Process\Process;
use Tests\TestCase;

/** Private files in a store that speaks S3, here the stand-in for one, over HTTP. */
final class StoreTest extends TestCase
{
    private Process $store;

    private string $folder;

    private string $address;

    protected function setUp(): void
    {
        parent::setUp();
        $this->folder = sys_get_temp_dir().'/pebblerun-store-'.bin2hex(random_bytes(4));
        mkdir($this->folder, 0700);
        $free = stream_socket_server('tcp://127.0.0.1:0') ?: self::fail('no free port');
        $this->address = (string) stream_socket_get_name($free, false);
        fclose($free);
        $this->store = new Process([PHP_BINARY, '-S', $this->address, base_path('bin/lib/file-store.php')], null, ['STORE' => $this->folder, 'STORE_KEY' => 'pebblerun']);
        $this->store->start();
        $this->store->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'started'));
        $this->use('pebblerun');
    }

    protected function tearDown(): void
    {
        $this->store->stop(0);
        exec('rm -rf '.escapeshellarg($this->folder));
        parent::tearDown();
    }

    private function use(string $key): void
    {
        Storage::forgetDisk('store');
        config(['filesystems.default' => 'store', 'filesystems.disks.store' => [...(array) config('filesystems.disks.store'), 'endpoint' => "http://{$this->address}", 'key' => $key, 'secret' => 'rope', 'retries' => 0]]);
    }

    private static function disk(): FilesystemAdapter
    {
        return Storage::disk();
    }

    private function archive(string $name): string
    {
        file_put_contents("{$this->folder}/{$name}", random_bytes(300_000));
        file_put_contents("{$this->folder}/{$name}.signature", str_repeat('0', 64)."\n");
        file_put_contents("{$this->folder}/{$name}.sha256", hash_file('sha256', "{$this->folder}/{$name}")."  {$name}\n");

        return "{$this->folder}/{$name}";
    }

    public function test_files_come_back_as_they_went_are_listed_and_go(): void
    {
        self::disk()->put('lists/år 1.csv', "a;b\n");
        self::assertSame("a;b\n", self::disk()->get('lists/år 1.csv'));
        self::assertSame(['lists/år 1.csv'], self::disk()->files('lists'));
        self::assertSame(4, self::disk()->size('lists/år 1.csv'));
        self::disk()->delete('lists/år 1.csv');
        self::assertFalse(self::disk()->exists('lists/år 1.csv'));
    }

    public function test_backups_are_carried_there_whole_and_the_oldest_go(): void
    {
        $files = array_map($this->archive(...), ['pebblerun-20261124T022000Z.tar', 'pebblerun-20261125T022000Z.tar', 'pebblerun-20261126T022000Z.tar']);
        foreach ($files as $file) {
            app(Store::class)->carry($file, 2);
        }
        self::assertSame(['backups/pebblerun-20261125T022000Z.tar', 'backups/pebblerun-20261125T022000Z.tar.sha256', 'backups/pebblerun-20261125T022000Z.tar.signature', 'backups/pebblerun-20261126T022000Z.tar', 'backups/pebblerun-20261126T022000Z.tar.sha256', 'backups/pebblerun-20261126T022000Z.tar.signature'], self::disk()->files('backups'));
        self::assertSame(hash_file('sha256', $files[2]), hash('sha256', (string) self::disk()->get('backups/pebblerun-20261126T022000Z.tar')));
    }

    public function test_a_store_that_refuses_or_is_away_fails_the_backup_with_words(): void
    {
        $file = $this->archive('pebblerun-20261126T022000Z.tar');
        $this->use('somebody-else');
        try {
            app(Store::class)->carry($file, 2);
            self::fail('it took it');
        } catch (BackupFailed $fault) {
            self::assertStringStartsWith('The backup failed while carrying it to the store: ', $fault->getMessage());
        }
        $this->store->stop(0);
        $this->use('pebblerun');
        $this->expectException(BackupFailed::class);
        app(Store::class)->carry($file, 2);
    }
}
