<?php

namespace Tests\Ground;

use PHPUnit\Framework\Attributes\Depends;
use Symfony\Component\Process\Process;
use ZipArchive;

/** Start and stop touch what is theirs, and take up again from whatever a kill left. */
final class StartStopTest extends GroundCase
{
    /** @return list<int> of ours that go on under a name */
    private static function pids(string $name): array
    {
        $of = escapeshellarg(self::$place);
        $found = (new Process(['bash', '-c', "for p in \$(pgrep -f \"\$0\"); do [ \"\$(readlink /proc/\$p/cwd)\" = {$of}/web ] && echo \$p; done; true", $name]));
        $found->run();

        return array_values(array_map(intval(...), array_filter(explode("\n", trim($found->getOutput())))));
    }

    private static function pidIn(string $file): int
    {
        return (int) file_get_contents(self::$place."/{$file}");
    }

    private static function jobs(): int
    {
        return (int) self::sql('select count(*) from customer_jobs');
    }

    public function test_it_starts_in_a_path_with_a_blank_and_a_second_start_has_nothing_to_do(): void
    {
        self::assertStringContainsString('loading the demo shop', self::shell(['bin/start']));
        self::assertTrue(self::answers());
        self::assertSame(10, self::jobs());
        $began = microtime(true);
        $again = self::shell(['bin/start']);
        self::assertDoesNotMatchRegularExpression('/installing|building|bringing|starting/', $again);
        self::assertLessThan(8.0, microtime(true) - $began);
        self::assertSame('600', substr(sprintf('%o', fileperms(self::$place.'/settings.env')), -3));
    }

    #[Depends('test_it_starts_in_a_path_with_a_blank_and_a_second_start_has_nothing_to_do')]
    public function test_everything_a_shop_owns_goes_out_and_comes_into_an_empty_installation_as_it_was(): void
    {
        [$out, $again] = [self::$place.'/out.zip', self::$place.'/again.zip'];
        self::shell(['-c', 'bin/pebblerun export "$0"', $out]);
        $empty = ['DB_DATABASE' => 'pebblerun_empty'];
        self::shell(['-c', '. bin/lib/ground.sh; choose_run; settings; export APP_CONFIG_CACHE=$RUN/cache/none.php; make_database pebblerun_empty; owner_artisan migrate --force -q; make_database pebblerun_empty'], $empty);
        self::shell(['-c', 'bin/pebblerun import "$0"', $out], $empty);
        self::shell(['-c', 'bin/pebblerun export "$0"', $again], $empty);
        foreach ([$out, $again] as $file) {
            $zip = new ZipArchive;
            self::assertTrue($zip->open($file, ZipArchive::RDONLY));
            $entries = [];
            for ($i = 0; $i < $zip->numFiles; $i++) {
                $entries[(string) $zip->getNameIndex($i)] = (string) $zip->getFromIndex($i);
            }
            ksort($entries);
            $seen[] = $entries;
        }
        self::assertGreaterThan(30, count($seen[0]));
        self::assertSame($seen[0], $seen[1]);
        $full = self::process(['-c', 'bin/pebblerun import "$0"', $out]);
        $full->run();
        self::assertSame(2, $full->getExitCode());
        self::assertStringContainsString('an archive comes into an empty one', $full->getOutput().$full->getErrorOutput());
    }

    #[Depends('test_it_starts_in_a_path_with_a_blank_and_a_second_start_has_nothing_to_do')]
    public function test_it_takes_up_after_a_kill_of_each_of_its_processes(): void
    {
        $database = (int) explode("\n", (string) file_get_contents(self::$place.'/postgres/postmaster.pid'))[0];
        $masters = ['web/nginx.pid' => 'nginx: master', 'web/php-fpm.pid' => '', 'web/estimator.pid' => 'pebblerun:estimator', 'web/worker.pid' => 'queue:work'];
        foreach (array_keys($masters) as $file) {
            posix_kill(self::pidIn($file), SIGKILL);
        }
        posix_kill($database, SIGKILL);
        self::shell(['bin/start']);
        self::assertTrue(self::answers());
        self::assertSame(10, self::jobs());
        self::assertCount(1, self::pids('nginx: master'));
        // A watch, and what it watches: not those of before beside them.
        self::assertCount(2, self::pids('pebblerun:estimator'));
        self::assertCount(4, self::pids('queue:work'), 'one for files beside');
    }

    #[Depends('test_it_takes_up_after_a_kill_of_each_of_its_processes')]
    public function test_a_number_in_an_old_file_that_is_somebody_elses_by_now_is_left_alone(): void
    {
        $stranger = new Process(['sleep', '60']);
        $stranger->start();
        file_put_contents(self::$place.'/web/nginx.pid', (string) $stranger->getPid());
        self::shell(['bin/stop']);
        self::assertTrue($stranger->isRunning());
        self::assertSame([], self::pids('nginx: master'), 'and its own is found without the file');
        self::assertSame([], self::pids('artisan'));
        self::assertFalse(self::answers());
        $stranger->stop(0);
    }

    #[Depends('test_a_number_in_an_old_file_that_is_somebody_elses_by_now_is_left_alone')]
    public function test_two_starts_at_once_start_one(): void
    {
        $both = [self::process(['bin/start']), self::process(['bin/start'])];
        array_map(fn (Process $one) => $one->start(), $both);
        foreach ($both as $one) {
            self::assertSame(0, $one->wait(), $one->getErrorOutput());
        }
        self::assertCount(1, self::pids('nginx: master'));
        self::assertCount(2, self::pids('schedule:work'));
        self::assertTrue(self::answers());
    }

    #[Depends('test_two_starts_at_once_start_one')]
    public function test_a_start_that_was_killed_at_any_step_is_taken_up(): void
    {
        foreach ([0.2, 0.7, 1.5] as $after) {
            self::shell(['bin/stop']);
            $start = self::process(['bin/start']);
            $start->start();
            usleep((int) (1e6 * $after));
            $start->isRunning() && $start->signal(SIGKILL);
            self::shell(['bin/start']);
            self::assertTrue(self::answers(), "killed after {$after} s");
            self::assertCount(1, self::pids('nginx: master'));
            self::assertSame(10, self::jobs());
        }
    }

    #[Depends('test_a_start_that_was_killed_at_any_step_is_taken_up')]
    public function test_changed_ports_are_moved_to(): void
    {
        $ports = ['PEBBLERUN_PORT' => '8863', 'PEBBLERUN_DB_PORT' => '8868'];
        self::shell(['bin/stop']);
        self::shell(['bin/start'], $ports);
        self::assertTrue(self::answers(8863));
        self::assertFalse(self::answers());
        self::$environment = [...self::$environment, ...$ports];
        self::assertSame(10, self::jobs());
    }

    #[Depends('test_changed_ports_are_moved_to')]
    public function test_a_half_made_database_is_made_anew_and_a_taken_port_is_not_taken_over(): void
    {
        self::shell(['bin/stop']);
        (new Process(['mv', self::$place.'/postgres', self::$place.'/postgres.part']))->mustRun();
        unlink(self::$place.'/postgres.part/PG_VERSION');
        // A process of its own: what is started would inherit a socket of this one.
        $taken = new Process([PHP_BINARY, '-S', '127.0.0.1:8863'], sys_get_temp_dir());
        $taken->start();
        $taken->waitUntil(fn (string $type, string $said): bool => str_contains($said, 'started'));
        $start = self::process(['bin/start']);
        self::assertSame(1, $start->run());
        self::assertStringContainsString('something else already listens on port 8863', $start->getErrorOutput());
        $taken->stop(0);
        self::shell(['bin/start']);
        self::assertTrue(self::answers(8863));
        self::assertSame(10, self::jobs());
    }

    #[Depends('test_a_half_made_database_is_made_anew_and_a_taken_port_is_not_taken_over')]
    public function test_the_demos_people_are_refused_beside_a_real_shop(): void
    {
        $odd = new Caller(8863, '127.0.0.7');
        self::assertSame(302, $odd->signIn('odd@saltmarsh.test', 'harbour-light'));
        $odd->send('GET', '/health', more: ['Accept' => 'text/html']);
        self::assertStringContainsString('is all there is here: its passwords are public', $odd->body);
        self::assertNotSame([], self::pids('supplier.php'));
        $shop = json_decode((string) file_get_contents(self::root().'/demo/shop.json'), true);
        $shop['shop']['name'] = 'Dunlin Works';
        file_put_contents(self::$place.'/work/dunlin.json', (string) json_encode($shop));
        chmod(self::$place.'/work/dunlin.json', 0644);
        self::shell(['-c', '. bin/lib/ground.sh; QUIET=1; choose_run; settings; artisan shop:create "$RUN/work/dunlin.json" --owner="Ada Fenn" --email=ada@dunlin.test']);
        self::assertSame(401, $odd->get('/me'), 'also who was signed in');
        $again = new Caller(8863, '127.0.0.8');
        self::assertSame(422, $again->signIn('odd@saltmarsh.test', 'harbour-light'));
        self::assertStringNotContainsString('harbour-light', $again->body);
        $said = self::shell(['bin/start']);
        self::assertStringNotContainsString('harbour-light', $said);
        self::assertSame([], self::pids('supplier.php'), 'nor does their supplier stand in');
    }

    #[Depends('test_the_demos_people_are_refused_beside_a_real_shop')]
    public function test_logs_that_grew_are_packed_and_three_stay(): void
    {
        $log = self::$place.'/log/worker.log';
        foreach (range(1, 5) as $n) {
            file_put_contents($log, str_repeat("line {$n}\n", 30_000));
            self::shell(['bin/lib/rotate.sh', self::$place.'/log', 'once'], ['PEBBLERUN_LOG_SIZE' => '100k']);
            self::assertSame('', file_get_contents($log));
        }
        self::assertCount(3, glob("{$log}.*.gz") ?: []);
        self::assertStringStartsWith("line 5\n", (string) gzdecode((string) file_get_contents("{$log}.1.gz")));
        file_put_contents($log, "a line\n");
        self::shell(['bin/lib/rotate.sh', self::$place.'/log', 'once']);
        self::assertSame("a line\n", file_get_contents($log), 'small and young: left');
        touch("{$log}.1.gz", time() - 8 * 86_400);
        self::shell(['bin/lib/rotate.sh', self::$place.'/log', 'once']);
        self::assertSame('', file_get_contents($log), 'a week old');
    }
}
