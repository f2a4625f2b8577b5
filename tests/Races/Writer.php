<?php

namespace Tests\Races;

/** A process with a connection of its own that writes what it is told, and can be killed. */
final class Writer
{
    /** @var resource */
    private $process;

    /** @var array<int, resource> */
    private array $pipes = [];

    private string $heard = '';

    /** @var ?list<array<string, mixed>> what it is at; null when it waits */
    private ?array $list = null;

    /** @param  array<string, string>  $environment */
    public function __construct(private readonly array $environment)
    {
        $this->start();
    }

    /** @param  list<array<string, mixed>>  $requests */
    public function tell(array $requests): void
    {
        $this->list = $requests;
        fwrite($this->pipes[0], json_encode($requests, JSON_THROW_ON_ERROR)."\n");
    }

    /** With a signal that nothing can catch; a new one is started, and told the same again. */
    public function kill(): void
    {
        proc_terminate($this->process, 9);
        array_map(fclose(...), $this->pipes);
        proc_close($this->process);
        $list = $this->list;
        $this->heard = '';
        $this->start();
        $list === null || $this->tell($list);
    }

    /** @return list<array{string, int}> outcomes that it told since it was asked last */
    public function hear(): array
    {
        $this->heard .= stream_get_contents($this->pipes[1]);
        $lines = explode("\n", $this->heard);
        $this->heard = (string) array_pop($lines);
        $outcomes = [];
        foreach ($lines as $line) {
            if ($line === '') {
                $this->list = null;
            } else {
                /** @var array{string, int} $outcome */
                $outcome = json_decode($line, true) ?? throw new \RuntimeException($line.$this->heard);
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
        array_map(fclose(...), $this->pipes);
        proc_terminate($this->process, 9);
        proc_close($this->process);
    }

    private function start(): void
    {
        $process = proc_open([PHP_BINARY, __DIR__.'/writer.php'], [['pipe', 'r'], ['pipe', 'w'], STDERR], $this->pipes, null, $this->environment);
        $this->process = $process ?: throw new \RuntimeException('no process');
        stream_set_blocking($this->pipes[1], false);
    }
}
