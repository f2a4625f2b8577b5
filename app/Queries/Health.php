<?php

namespace App\Queries;

use App\Backup\LastBackup;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Whether everything runs that has to: a line each, in words. */
final readonly class Health
{
    /** What the scheduler writes every minute. */
    public const BEAT = 'scheduler beat';

    /** s that work may wait, and the scheduler be silent. */
    private const WAITING = 120;

    private const SILENT = 180;

    /** Share of the disk that is to stay free. */
    private const LITTLE = 0.10;

    private const NONE = 0.03;

    /** s; a night and some hours. */
    private const OLD_BACKUP = 100_000;

    /** @return non-empty-list<array{name: string, state: 'good'|'doubtful'|'bad', words: string}> */
    public function checks(): array
    {
        return [
            self::line('Database', $this->database(...)),
            self::line('Work in the background', $this->queue(...)),
            self::line('Scheduler', $this->scheduler(...)),
            self::line('Mail', $this->mail(...)),
            self::line('Disk', $this->disk(...)),
            self::line('Backup', $this->backup(...)),
            self::line('Demo', $this->demo(...)),
        ];
    }

    /** @param  list<array{name: string, state: string, words: string}>  $checks */
    public static function isGood(array $checks): bool
    {
        return ! in_array('bad', array_column($checks, 'state'), true);
    }

    /**
     * @param  callable(): array{'good'|'doubtful'|'bad', string}  $check
     * @return array{name: string, state: 'good'|'doubtful'|'bad', words: string}
     */
    private static function line(string $name, callable $check): array
    {
        try {
            [$state, $words] = $check();
        } catch (Throwable) {
            [$state, $words] = ['bad', 'does not answer'];
        }

        return ['name' => $name, 'state' => $state, 'words' => $words];
    }

    /** @return array{'good'|'bad', string} */
    private function database(): array
    {
        $began = hrtime(true);
        $is = DB::selectOne("select current_user as role, current_setting('statement_timeout') as longest");
        $own = $is->role === config('pebblerun.role') || app()->runningInConsole();

        return [$own ? 'good' : 'bad', sprintf('answers in %.1f ms; role %s, %s a statement', (hrtime(true) - $began) / 1e6, $is->role, $is->longest === '0' ? 'any time' : "$is->longest at most")];
    }

    /**
     * Its people's passwords are public.
     *
     * @return array{'good'|'doubtful', string}
     */
    private function demo(): array
    {
        return match (DB::scalar('select installation()')) {
            'demo' => ['good', 'is all there is here: its passwords are public'],
            'nothing' => ['good', 'is not loaded'],
            default => DB::scalar('select has_demo()') === true ? ['doubtful', 'is beside a real shop: its people are refused'] : ['good', 'is not loaded'],
        };
    }

    /** @return array{'good'|'doubtful'|'bad', string} */
    private function queue(): array
    {
        $oldest = DB::table('jobs')->whereNull('reserved_at')->min('available_at');
        $waits = is_numeric($oldest) ? max(0, time() - (int) $oldest) : 0;
        $failed = DB::table('failed_jobs')->count();

        return [$waits > self::WAITING ? 'bad' : ($failed > 0 ? 'doubtful' : 'good'), ($waits > self::WAITING ? "the oldest waits {$waits} s: is a worker running?" : 'nothing waits long').($failed > 0 ? ", {$failed} failed" : '')];
    }

    /** @return array{'good'|'bad', string} */
    private function scheduler(): array
    {
        $beat = Cache::get(self::BEAT);
        $silent = is_int($beat) ? time() - $beat : null;

        return $silent !== null && $silent <= self::SILENT ? ['good', "was here {$silent} s ago"] : ['bad', $silent === null ? 'was never here' : "was here last {$silent} s ago"];
    }

    /** @return array{'good'|'bad', string} */
    private function mail(): array
    {
        $host = (string) config('mail.mailers.smtp.host');
        $socket = @fsockopen($host, (int) config('mail.mailers.smtp.port'), $code, $words, 2.0);
        if ($socket === false) {
            return ['bad', 'the mail server does not answer'];
        }
        fclose($socket);

        return ['good', config('mail.catcher') === true ? 'a stand-in takes it and sends nothing on' : "goes to {$host}"];
    }

    /** @return array{'good'|'doubtful'|'bad', string} */
    private function disk(): array
    {
        $free = (float) disk_free_space(storage_path());
        $share = $free / max(1.0, (float) disk_total_space(storage_path()));

        return [$share < self::NONE ? 'bad' : ($share < self::LITTLE ? 'doubtful' : 'good'), sprintf('%.0f GB free, %.0f %%', $free / 1e9, 100 * $share)];
    }

    /** @return array{'good'|'doubtful', string} */
    private function backup(): array
    {
        $at = LastBackup::at();
        $age = $at === null ? null : time() - $at;

        return $age !== null && $age < self::OLD_BACKUP ? ['good', 'written '.gmdate('Y-m-d H:i', $at).' UTC'] : ['doubtful', $age === null ? 'none was written yet' : 'the last is of '.gmdate('Y-m-d H:i', (int) $at).' UTC'];
    }
}
