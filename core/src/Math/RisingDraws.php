<?php

namespace Pebblerun\Core\Math;

/** What is drawn of every uncertain thing, from its least to its most; remembered. */
final class RisingDraws
{
    /** @var array<string, non-empty-list<float>> */
    private array $known = [];

    public function __construct(private readonly Draws $draws) {}

    /** @return positive-int */
    public function count(): int
    {
        return $this->draws->count();
    }

    /** @return non-empty-list<float> */
    public function part(string $key): array
    {
        return $this->known["part:{$key}"] ??= self::rising($this->draws->part($key));
    }

    /** @return non-empty-list<float> */
    public function ceiling(string $key): array
    {
        return $this->known["ceiling:{$key}"] ??= self::rising($this->draws->ceiling($key));
    }

    /** @return non-empty-list<float> */
    public function curve(): array
    {
        return $this->known['curve'] ??= self::rising($this->draws->curve());
    }

    /** @return non-empty-list<float> */
    public function model(): array
    {
        return $this->known['model'] ??= self::rising($this->draws->model());
    }

    /**
     * @param  list<float>  $values
     * @return non-empty-list<float>
     *
     * @throws NoDraws when there are none.
     */
    private static function rising(array $values): array
    {
        if ($values === []) {
            throw NoDraws::atAll();
        }
        sort($values);

        return $values;
    }
}
