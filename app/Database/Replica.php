<?php

namespace App\Database;

use Closure;
use Illuminate\Contracts\Cache\Repository;
use Illuminate\Database\DatabaseManager;
use PDOException;

/**
 * Reads lists from the replica, where there is one that has all that was confirmed before the question. One that lags, or does not
 * answer, is passed over: a list is never older than what its reader did.
 */
final readonly class Replica
{
    private const NAME = 'replica';

    /** How often it is asked, and µs between. */
    private const TRIES = 4;

    private const PAUSE = 4_000;

    /** s that one which did not answer is left alone. */
    private const REST = 10;

    private const AWAY = 'replica away';

    public function __construct(private DatabaseManager $database, private Repository $cache) {}

    /**
     * @template T
     *
     * @param  Closure(): T  $read  that changes nothing
     * @return T
     */
    public function read(Closure $read): mixed
    {
        if (! $this->has()) {
            return $read();
        }
        $primary = $this->database->getDefaultConnection();
        try {
            $this->database->setDefaultConnection(self::NAME);

            return $read();
        } catch (PDOException) {
            $this->database->setDefaultConnection($primary);
            $this->leave();

            return $read();
        } finally {
            $this->database->setDefaultConnection($primary);
        }
    }

    /** Whether there is one that has everything by now; it knows the shop of this request then. */
    private function has(): bool
    {
        if (config('database.connections.'.self::NAME) === null || $this->cache->get(self::AWAY) === true) {
            return false;
        }
        $asked = $this->database->connection()->selectOne("select pg_current_wal_flush_lsn() as place, current_setting('pebblerun.named', true) as named");
        try {
            for ($try = 0; $try < self::TRIES; $try++) {
                $try === 0 || usleep(self::PAUSE);
                $known = $this->database->connection(self::NAME)->selectOne("select pg_is_in_recovery() and pg_last_wal_replay_lsn() >= ?::pg_lsn as has, set_config('pebblerun.named', ?, false)", [$asked->place, $asked->named ?? '']);
                if ($known->has) {
                    return true;
                }
            }
        } catch (PDOException) {
            $this->leave();
        }

        return false;
    }

    private function leave(): void
    {
        $this->cache->put(self::AWAY, true, self::REST);
    }
}
