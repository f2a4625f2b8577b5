<?php

namespace Pebblerun\Core\Evaluation;

/**
 * Remembers the latest results under the name of everything they come from, and forgets the oldest when there are too many.
 *
 * @template T
 */
final class Memo
{
    /** @var array<string, T> */
    private array $known = [];

    /** @param  positive-int  $most  entries */
    public function __construct(private readonly int $most) {}

    /** @return ?T */
    public function get(string $key): mixed
    {
        return $this->known[$key] ?? null;
    }

    /**
     * @param  T  $value
     * @return T
     */
    public function put(string $key, mixed $value): mixed
    {
        if (count($this->known) >= $this->most) {
            $this->known = array_slice($this->known, intdiv($this->most, 4) + 1, null, true);
        }

        return $this->known[$key] = $value;
    }
}
