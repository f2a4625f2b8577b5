<?php

namespace Pebblerun\Core\Catalog\Parts;

/** How a part changes what one hears and feels. */
final readonly class Sound
{
    /**
     * @param  string  $level  as-stock, a-little or open, as a brief answers of noise
     * @param  string  $drone  none, some or much, at motorway speed
     * @param  string  $response  sharper, same or softer, to the pedal
     */
    public function __construct(public string $level, public string $drone, public string $response, public string $note) {}
}
