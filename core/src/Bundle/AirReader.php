<?php

namespace Pebblerun\Core\Bundle;

use Pebblerun\Core\Air\AirSide;
use Pebblerun\Core\Air\Compressor;
use Pebblerun\Core\Air\Cooler;

/** Reads compressors and coolers. */
final class AirReader
{
    public static function side(?Node $node): ?AirSide
    {
        return $node === null ? null : new AirSide(new Compressor($node->get('compressor_efficiency')->number()), self::cooler($node->get('cooler')));
    }

    public static function maybeCooler(?Node $node): ?Cooler
    {
        return $node === null ? null : self::cooler($node);
    }

    private static function cooler(Node $node): Cooler
    {
        return new Cooler($node->get('effectiveness')->number(), 1000.0 * $node->get('capacity_kj_k')->number(), $node->get('ua_w_k')->number());
    }
}
