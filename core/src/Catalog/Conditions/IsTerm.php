<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** What every plain term has in common. */
trait IsTerm
{
    public function terms(): int
    {
        return 1;
    }

    public function leaves(): array
    {
        return [$this];
    }
}
