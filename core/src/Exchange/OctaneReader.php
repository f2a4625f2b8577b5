<?php

namespace Pebblerun\Core\Exchange;

/**
 * Reads an octane number: RON, or the mean of RON and MON that pumps of some countries show (AKI). A pump fuel of 87 AKI is about 91 RON,
 * 91 about 95 and 93 about 98: 5 % more, within a point.
 */
final class OctaneReader
{
    public const RON_OF_AKI = 1.05;

    /** @return ?float RON */
    public static function maybe(?DocumentNode $node): ?float
    {
        return match (true) {
            $node === null => null,
            is_array($node->raw()) => self::RON_OF_AKI * $node->get('aki')->number(),
            default => $node->number(),
        };
    }
}
