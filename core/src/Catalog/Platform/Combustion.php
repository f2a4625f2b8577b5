<?php

namespace Pebblerun\Core\Catalog\Platform;

/** What an engine burns under its factory's map. */
final readonly class Combustion
{
    /** Percent of ethanol that a control can follow where nothing is stated. */
    public const ETHANOL = 10.0;

    /**
     * @param  ?float  $octane  RON that it needs; null where it is not stated
     * @param  float  $ethanol  percent that its control can follow
     * @param  ?array{float, float}  $lambda  at full load at the torque peak and at the power peak; null: as usual
     */
    public function __construct(public ?float $octane = null, public float $ethanol = self::ETHANOL, public ?array $lambda = null) {}
}
