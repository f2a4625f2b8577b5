<?php

namespace Pebblerun\Core\Catalog\Limits;

use Pebblerun\Core\Units\Dimension;

/** What a limit's quantity is: whoever reads, compares or shows one asks this, and not which one it is. */
final readonly class QuantityTraits
{
    /** RON that count as much as safe does elsewhere, for the order of knock among other limits. */
    public const STEP = 5.0;

    /**
     * @param  bool  $hot  judged on the hottest day as well
     * @param  string  $worst  key of the words that say where it is worst: near a speed, on the fifth pull
     * @param  string  $less  key of the words that say what brings it back to safe
     */
    public function __construct(public Dimension $dimension, public LimitReadAt $readAt, public SharedFrom $from = SharedFrom::Zero, public bool $hot = false, public string $worst = 'near', public string $less = 'less') {}
}
