<?php

namespace Pebblerun\Core\Physics\Air;

/** An engine's compressor and stock charge cooler. */
final readonly class AirSide
{
    /** @param  ?Cooler  $cooler  null for an engine without one */
    public function __construct(
        public Compressor $compressor,
        public ?Cooler $cooler,
        public float $inletLoss = ChargePath::INLET_LOSS,
        public float $coolerLoss = ChargePath::COOLER_LOSS,
    ) {}
}
