<?php

namespace App\Backup;

use Illuminate\Contracts\Config\Repository;
use Illuminate\Contracts\Process\ProcessResult;
use Illuminate\Filesystem\Filesystem;
use Illuminate\Process\Factory;
use Illuminate\Support\Str;

/**
 * One archive of everything a shop has here: the database as it stood at one moment, the files, the application's key, and a manifest
 * with a checksum of each. It has its name only once it is whole.
 */
final readonly class Archive
{
    private const PATTERN = 'pebblerun-????????T??????Z.tar*';

    /** What lies beside an archive: its checksum, and the signature by which bin/restore knows that it was written here. */
    public const BESIDE = ['.sha256', '.signature'];

    /** s that a step may take. */
    private const PATIENCE = 3600;

    public function __construct(private Repository $config, private Factory $processes, private Filesystem $files) {}

    /**
     * @return string the file
     *
     * @throws BackupFailed
     */
    public function write(string $folder): string
    {
        $this->files->ensureDirectoryExists($folder, 0700);
        $name = 'pebblerun-'.gmdate('Ymd\THis\Z').'.tar';
        $work = "{$folder}/.{$name}.part";
        $this->files->deleteDirectory($work);
        $this->files->makeDirectory($work, 0700);
        try {
            $this->dump("{$work}/database.dump");
            $this->run('packing the files', ['tar', '-cf', "{$work}/files.tar", '-C', (string) $this->config->get('filesystems.disks.local.root'), '.']);
            $this->files->put("{$work}/settings.env", 'APP_KEY='.$this->config->get('app.key')."\n");
            $this->files->put("{$work}/manifest.json", (string) json_encode($this->manifest($work), JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES));
            $this->run('packing all of it', ['tar', '-cf', "{$work}/whole", '-C', $work, 'manifest.json', 'database.dump', 'files.tar', 'settings.env']);
            $file = "{$folder}/{$name}".($this->encrypt("{$work}/whole") ? '.enc' : '');
            $sum = hash_file('sha256', "{$work}/whole");
            $signature = hash_hmac_file('sha256', "{$work}/whole", $this->signingKey());
            $this->files->put("{$file}.sha256", "{$sum}  ".basename($file)."\n");
            $this->files->put("{$file}.signature", "{$signature}\n");
            $this->files->move("{$work}/whole", $file);
            chmod($file, 0600);

            return $file;
        } finally {
            $this->files->deleteDirectory($work);
        }
    }

    /** @return int how many of the oldest went */
    public function prune(string $folder, int $keep): int
    {
        $all = self::all($folder);
        $old = array_slice($all, 0, max(0, count($all) - $keep));
        foreach ($old as $file) {
            $this->files->delete([$file, ...array_map(fn (string $beside): string => $file.$beside, self::BESIDE)]);
        }

        return count($old);
    }

    /** @return list<string> the oldest first */
    private static function all(string $folder): array
    {
        return array_values(array_filter(glob("{$folder}/".self::PATTERN) ?: [], fn (string $file): bool => ! self::isBeside($file)));
    }

    public static function isBeside(string $file): bool
    {
        return array_filter(self::BESIDE, fn (string $beside): bool => str_ends_with($file, $beside)) !== [];
    }

    /** @throws BackupFailed where there is none: nobody could tell later whose it is. */
    private function signingKey(): string
    {
        $key = $this->config->get('pebblerun.signing_key');

        return is_string($key) && $key !== '' ? $key : throw BackupFailed::at('signing it', 'there is no PEBBLERUN_SIGNING_KEY: keys.env of the machine that made the database has it');
    }

    private function dump(string $file): void
    {
        $database = (array) $this->config->get('database.connections.pgsql');
        $this->run('dumping the database', [
            $this->config->get('pebblerun.pg_dump'), '--format=custom', '--no-owner', '--no-privileges', '--file', $file,
            '--host', $database['host'], '--port', (string) $database['port'], '--username', $this->config->get('pebblerun.backup_password') === null ? $database['username'] : 'pebblerun_backup', '--schema', 'public', $database['database'],
        ], ['PGPASSWORD' => $this->config->get('pebblerun.backup_password') ?? $database['password'], 'PGOPTIONS' => '-c statement_timeout=0']);
    }

    /** @return array<string, mixed> */
    private function manifest(string $work): array
    {
        $migrations = array_map(fn (string $file): string => basename($file, '.php'), glob(database_path('migrations/*.php')) ?: []);

        return [
            'format' => 'pebblerun/backup',
            'version' => $this->config->get('pebblerun.version'),
            'migration' => end($migrations),
            'made_at' => gmdate('c'),
            'sha256' => array_map(fn (string $file): string => (string) hash_file('sha256', "{$work}/{$file}"), array_combine($names = ['database.dump', 'files.tar', 'settings.env'], $names)),
        ];
    }

    private function encrypt(string $file): bool
    {
        $key = $this->config->get('pebblerun.backup_key');
        if ($key === null || $key === '') {
            return false;
        }
        $this->run('encrypting it', ['openssl', 'enc', '-aes-256-cbc', '-pbkdf2', '-iter', '600000', '-salt', '-pass', 'env:PEBBLERUN_BACKUP_KEY', '-in', $file, '-out', "{$file}.enc"], ['PEBBLERUN_BACKUP_KEY' => $key]);
        $this->files->move("{$file}.enc", $file);

        return true;
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $environment
     */
    private function run(string $step, array $command, array $environment = []): ProcessResult
    {
        $result = $this->processes->newPendingProcess()->env($environment)->timeout(self::PATIENCE)->run($command);

        return $result->successful() ? $result : throw BackupFailed::at($step, Str::limit($result->errorOutput() ?: $result->output(), 400));
    }
}
