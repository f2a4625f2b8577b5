<?php

namespace Pebblerun\Core\Catalog\Platform;

/** What an engine burns under its factory's map. */
final readonly class Combustion
{
    /**
     * @param  ?float  $octane  RON that it needs; null where it is not stated
     * @param  ?float  $ethanol  percent that its control can follow; null: what is usual
     * @param  ?array{float, float}  $lambda  at full load at the torque peak and at the power peak; null: as usual
     * @param  bool  $knockControl  it takes timing back where it knocks
     */
    public function __construct(public ?float $octane = null, public ?float $ethanol = null, public ?array $lambda = null, public bool $knockControl = true) {}
}
