<?php

namespace Tests\Races;

use App\Actions\Edit;
use App\Actions\EditPlan;
use App\Exceptions\Refused;
use App\Models\CustomerJob;
use App\Models\Plan;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** A backup while everybody writes: what was confirmed before it began is in it, and comes back by bin/restore. */
final class BackupTest extends ProcessCase
{
    private const WRITERS = 4;

    private const EDITS = 60;

    private const RESTORED = 'pebblerun_restored';

    /** @return array{int, string} */
    private static function shell(string $command): array
    {
        exec("{$command} 2>&1", $lines, $code);

        return [$code, implode("\n", $lines)];
    }

    public function test_what_was_confirmed_before_a_backup_is_in_it_and_comes_back(): void
    {
        $author = User::query()->with('shop')->firstOrFail();
        $plans = Plan::query()->orderBy('id')->limit(self::WRITERS)->pluck('id')->all();
        $do = function (array $request) use ($author): int {
            $plan = Plan::query()->whereKey((int) $request['plan'])->firstOrFail();
            $seen = (int) CustomerJob::query()->whereKey($plan->customer_job_id)->value('version');
            try {
                app(EditPlan::class)->commands($plan, new Edit($author, $request['request'], $request['queue'], $seen, $request['request']), [['do' => 'rename-plan', 'name' => $request['request']]]);
            } catch (Refused) {
                return 409;
            }

            return 200;
        };
        $writers = array_map(fn (): Writer => new Writer($do), range(1, self::WRITERS));
        foreach ($writers as $i => $writer) {
            $writer->tell(array_map(fn (int $n): array => ['plan' => $plans[$i], 'request' => md5("{$i}/{$n}"), 'queue' => md5("queue {$i}")], range(1, self::EDITS)));
        }
        $told = fn (): array => array_merge(...array_map(fn (Writer $writer): array => array_column(array_filter($writer->hear(), fn (array $outcome): bool => $outcome[1] === 200), 0), $writers));
        $confirmed = [];
        while (count($confirmed) < 40) {
            array_push($confirmed, ...$told());
            usleep(20_000);
        }
        $folder = sys_get_temp_dir().'/pebblerun-backup-'.bin2hex(random_bytes(4));
        putenv('PEBBLERUN_BACKUP_KEY=rope and water');
        [$code, $words] = self::shell(PHP_BINARY.' '.base_path('artisan')." pebblerun:backup --into={$folder}");
        self::assertSame(0, $code, $words);
        $during = $told();
        self::assertNotSame([], $during, 'they went on writing');
        array_map(fn (Writer $writer) => $writer->end(), $writers);

        [$file] = glob("{$folder}/*.tar.enc") ?: [''];
        $name = self::RESTORED;
        [$code, $words] = self::shell("DB_DATABASE={$name} bash ".base_path('bin/restore')." {$file} --replace --yes");
        self::assertSame(0, $code, $words);
        config(['database.connections.restored' => [...(array) config('database.connections.pgsql'), 'database' => $name]]);
        $kept = DB::connection('restored')->table('plan_revisions')->whereNotNull('request')->pluck('request')->all();
        self::assertSame([], array_values(array_diff($confirmed, $kept)));
        self::assertSame(0, DB::connection('restored')->table('plans')->whereRaw('revision <> (select max(number) from plan_revisions r where r.plan_id = plans.id)')->count(), 'and it is of one moment');

        file_put_contents($file, substr((string) file_get_contents($file), 0, -100));
        [$code, $words] = self::shell("DB_DATABASE={$name} bash ".base_path('bin/restore')." {$file} --replace --yes");
        self::assertSame(1, $code);
        self::assertStringContainsString('its checksum is not the one that was written beside it', $words);
        self::shell("rm -rf {$folder}");
    }
}
