<?php

namespace Tests\Races;

use Closure;
use Illuminate\Support\Facades\DB;
use RuntimeException;

/** A process with a database connection of its own that does what it is told, and can be killed wherever it is. */
final class Writer
{
    private int $process;

    /** @var resource */
    private $wire;

    private string $heard = '';

    /** @var ?list<array<string, mixed>> what it is at; null when it waits */
    private ?array $list = null;

    /** @param  Closure(array<string, mixed>): int  $do  a request, and its status */
    public function __construct(private readonly Closure $do)
    {
        $this->start();
    }

    /** @param  list<array<string, mixed>>  $requests */
    public function tell(array $requests): void
    {
        $this->list = $requests;
        fwrite($this->wire, json_encode($requests, JSON_THROW_ON_ERROR)."\n");
    }

    /** With a signal that nothing can catch; a new one is started, and told the same again. */
    public function kill(): void
    {
        $this->end();
        $list = $this->list;
        $this->heard = '';
        $this->start();
        $list === null || $this->tell($list);
    }

    /** One that ended by itself, at the moment that it was told to, is told the same again without that. */
    public function hasDied(): bool
    {
        $this->heard .= stream_get_contents($this->wire);
        if (! feof($this->wire)) {
            return false;
        }
        $this->list = array_map(fn (array $request): array => [...$request, 'dies' => null], $this->list ?? []);
        $this->kill();

        return true;
    }

    /** @return list<array{string, int}> outcomes that it told since it was asked last */
    public function hear(): array
    {
        $this->heard .= stream_get_contents($this->wire);
        $lines = explode("\n", $this->heard);
        $this->heard = (string) array_pop($lines);
        $outcomes = [];
        foreach ($lines as $line) {
            if ($line === '') {
                $this->list = null;
            } else {
                /** @var array{string, int} $outcome */
                $outcome = json_decode($line, true) ?? throw new RuntimeException($line);
                $outcomes[] = $outcome;
            }
        }

        return $outcomes;
    }

    public function waits(): bool
    {
        return $this->list === null;
    }

    public function end(): void
    {
        posix_kill($this->process, SIGKILL);
        fclose($this->wire);
        pcntl_waitpid($this->process, $status);
    }

    private function start(): void
    {
        [$here, $there] = stream_socket_pair(STREAM_PF_UNIX, STREAM_SOCK_STREAM, 0) ?: throw new RuntimeException('no pair of sockets');
        $process = pcntl_fork();
        if ($process === 0) {
            fclose($here);
            $this->live($there);
        }
        fclose($there);
        $this->process = $process;
        $this->wire = $here;
        stream_set_blocking($here, false);
    }

    /** @param  resource  $wire */
    private function live($wire): never
    {
        // The connection of the process that this one came from stays open there.
        DB::connection()->setPdo(null)->setReadPdo(null);
        DB::connection()->reconnect();
        while (($line = fgets($wire)) !== false) {
            foreach ((array) json_decode($line, true) as $request) {
                fwrite($wire, json_encode([$request['request'], ($this->do)($request)])."\n");
            }
            fwrite($wire, "\n");
            // As after an answer: what it took to work it out is kept.
            app()->terminate();
        }
        // Without the farewell of the test runner.
        posix_kill(posix_getpid(), SIGKILL);
        exit;
    }
}
