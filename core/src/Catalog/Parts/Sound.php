<?php

namespace Pebblerun\Core\Catalog\Parts;

/** How a part changes what one hears and feels. */
final readonly class Sound
{
    /** The tag of what a customer may refuse. */
    private const HARDER_CLUTCH = 'harder-clutch';

    /**
     * @param  ?SoundLevel  $level  null where nobody said
     * @param  string  $drone  none, some or much, at motorway speed
     * @param  string  $response  sharper, same or softer, to the pedal
     * @param  string  $clutch  as-stock, heavier or heavy, underfoot
     */
    public function __construct(public ?SoundLevel $level, public string $drone, public string $response, public string $note, public string $clutch = 'as-stock') {}

    /** @return list<string> tags that follow from it */
    public function brings(): array
    {
        return $this->clutch === 'as-stock' ? [] : [self::HARDER_CLUTCH];
    }
}
