<?php

namespace Pebblerun\Core\Build;

/** What the draws run on. */
final readonly class Sample
{
    /**
     * @param  list<float>  $rpms  of the coarser grid
     * @param  list<float>  $came  scale of the whole curve as it came, one a draw
     * @param  list<float>  $changed  likewise for a changed car: the model's own doubt comes in
     */
    public function __construct(public Engine $engine, public array $rpms, public array $came, public array $changed) {}
}
