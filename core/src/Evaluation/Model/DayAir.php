<?php

namespace Pebblerun\Core\Evaluation\Model;

/** What another day than the standard one leaves an engine: of its power before any ceiling, and of what its ceilings of airflow let through. */
final readonly class DayAir
{
    /**
     * @param  float  $thin  share of the standard day's air that a compressor finds
     * @param  non-empty-list<float>  $rpms  rising
     * @param  non-empty-list<float>  $keeps  share of the power that the day's air and warmth leave, one a speed
     * @param  float  $held  share of the manifold's pressure that its map holds
     * @param  ?non-empty-list<float>  $left  share of the air that a diesel's compressor still moves, likewise; null where the power says it
     */
    public function __construct(public float $thin, public array $rpms, public array $keeps, public float $held = 1.0, public ?array $left = null) {}
}
