<?php

namespace App\Console\Commands;

use App\Assembly\RuleSources;
use App\Assembly\WarmEstimates;
use App\Security\NamedShop;
use Illuminate\Console\Command;
use Pebblerun\Core\CoreException;
use Throwable;

/**
 * One line of JSON is asked over a local socket and one answered. A request that gets none estimates for itself.
 *
 * @phpstan-import-type Asked from WarmEstimates
 */
final class ServeEstimates extends Command
{
    protected $signature = 'pebblerun:estimator';

    protected $description = 'Estimates plans for the web, remembering the cars that it was asked about last';

    /** Bytes; it ends then and is started again. */
    private const MEMORY = 220_000_000;

    /** Seconds that somebody who connected may take to ask. */
    private const PATIENCE = 1;

    public function handle(WarmEstimates $estimates): int
    {
        $path = (string) config('pebblerun.estimator');
        @unlink($path);
        $mask = umask(0177);
        $server = @stream_socket_server("unix://{$path}", $code, $fault);
        umask($mask);
        if ($server === false) {
            $this->error("It cannot listen at \"{$path}\": {$fault}. Set PEBBLERUN_ESTIMATOR to a file in a folder that {$this->user()} may write to.");

            return self::FAILURE;
        }
        do {
            $asker = @stream_socket_accept($server, 3600.0);
            $goes = $asker === false || $this->serve($asker, $estimates);
        } while ($goes && memory_get_usage() < self::MEMORY);

        return self::SUCCESS;
    }

    /**
     * @param  resource  $asker
     * @return bool false when it was asked for other rules than it knows: the application was changed under it
     */
    private function serve($asker, WarmEstimates $estimates): bool
    {
        stream_set_timeout($asker, self::PATIENCE);
        /** @var ?Asked $asked */
        $asked = json_decode((string) fgets($asker), true);
        if ($asked !== null && $asked['rules'] !== RuleSources::current()) {
            fclose($asker);

            return false;
        }
        try {
            $asked === null || NamedShop::sayName($asked['shop']);
            $asked === null || @fwrite($asker, $estimates->answer($asked)."\n");
        } catch (CoreException) {
            // Who asked finds the same fault and tells it.
        } catch (Throwable $fault) {
            report($fault);
        } finally {
            fclose($asker);
        }

        return true;
    }

    private function user(): string
    {
        return posix_getpwuid(posix_geteuid())['name'] ?? 'this user';
    }
}
