<?php

namespace Tests\Ground;

use PHPUnit\Framework\TestCase;
use Symfony\Component\Process\Process;

/** The project's own commands in a place of their own, whose path has a blank in it. */
abstract class GroundCase extends TestCase
{
    protected static string $place;

    /** @var array<string, string> */
    protected static array $environment;

    /** Its web's; the next four are its database's, mail's and supplier's. */
    protected static function port(): int
    {
        return 8860;
    }

    protected static function place(): string
    {
        return 'a place';
    }

    public static function setUpBeforeClass(): void
    {
        $run = getenv('PEBBLERUN_RUN') ?: self::root().'/.run/test';
        $packages = getenv('PEBBLERUN_PACKAGES') ?: self::root().'/.run';
        self::$place = "{$run}/".static::place();
        $port = static::port();
        self::$environment = ['PEBBLERUN_RUN' => self::$place, ...array_map(strval(...), ['PEBBLERUN_PORT' => $port, 'PEBBLERUN_DB_PORT' => $port + 1, 'PEBBLERUN_MAIL_PORT' => $port + 2, 'PEBBLERUN_SUPPLIER_PORT' => $port + 3])];
        self::clear();
        // What was installed and built for the tests need not be looked at again.
        mkdir(self::$place.'/done', 0755, true);
        foreach (['composer', 'npm', 'vite'] as $mark) {
            copy("{$packages}/done/{$mark}", self::$place."/done/{$mark}");
        }
    }

    public static function tearDownAfterClass(): void
    {
        self::shell(['bin/stop']);
        self::clear();
    }

    private static function clear(): void
    {
        (new Process(['rm', '-rf', self::$place]))->mustRun();
    }

    protected static function root(): string
    {
        return dirname(__DIR__, 2);
    }

    /** What the tests run with must not reach what they start. */
    private const OURS = ['APP_ENV', 'APP_KEY', 'APP_URL', 'APP_CONFIG_CACHE', 'APP_ROUTES_CACHE', 'BCRYPT_ROUNDS', 'CACHE_STORE', 'DB_HOST', 'DB_PORT', 'DB_DATABASE', 'DB_USERNAME', 'DB_PASSWORD', 'DB_WEB_PASSWORD', 'DB_PERSISTENT', 'LARAVEL_STORAGE_PATH', 'PEBBLERUN_ESTIMATOR', 'PHP_INI_SCAN_DIR', 'SESSION_DRIVER'];

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $more  of the environment
     */
    protected static function process(array $command, array $more = []): Process
    {
        return new Process(['bash', ...$command], self::root(), [...array_fill_keys(self::OURS, false), ...self::$environment, ...$more], null, 180);
    }

    /**
     * @param  list<string>  $command
     * @param  array<string, string>  $more
     */
    protected static function shell(array $command, array $more = []): string
    {
        $process = self::process($command, $more);
        $process->run();
        self::assertSame(0, $process->getExitCode(), implode(' ', $command).': '.$process->getOutput().$process->getErrorOutput());

        return $process->getOutput();
    }

    protected static function answers(?int $port = null): bool
    {
        return str_contains((string) @file_get_contents('http://127.0.0.1:'.($port ?? static::port()).'/sign-in'), 'name="email"');
    }

    protected static function sql(string $query): string
    {
        $script = '. bin/lib/ground.sh; choose_run; settings; run_sql -d pebblerun -c "$0"';

        return trim(self::shell(['-c', $script, $query]));
    }
}
