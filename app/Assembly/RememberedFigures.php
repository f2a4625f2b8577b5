<?php

namespace App\Assembly;

use Pebblerun\Core\Evaluation\FigureStore;
use Pebblerun\Core\Evaluation\Memo;

/** Figures of stages in the memory of one process that goes on. */
final class RememberedFigures implements FigureStore
{
    /** Of some 2 KB each. */
    private const MOST = 4000;

    /** @var Memo<list<mixed>> */
    private Memo $known;

    /** @var array<string, list<mixed>> */
    private array $computed = [];

    public function __construct()
    {
        $this->known = new Memo(self::MOST);
    }

    public function known(array $keys): array
    {
        return array_filter(array_combine($keys, array_map($this->known->get(...), $keys)));
    }

    public function keep(array $figures): void
    {
        foreach ($figures as $key => $figure) {
            $this->known->put($key, $figure);
        }
        $this->computed = $figures;
    }

    /** @return array<string, list<mixed>> what the last estimate computed, by key */
    public function taken(): array
    {
        $computed = $this->computed;
        $this->computed = [];

        return $computed;
    }
}
