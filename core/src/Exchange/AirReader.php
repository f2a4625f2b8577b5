<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;

/** Reads compressors and coolers. */
final class AirReader
{
    public static function side(?DocumentNode $node): ?AirSide
    {
        return $node === null ? null : new AirSide(new Compressor($node->get('compressor_efficiency')->number()), self::cooler($node->get('cooler')));
    }

    public static function maybeCooler(?DocumentNode $node): ?Cooler
    {
        return $node === null ? null : self::cooler($node);
    }

    private static function cooler(DocumentNode $node): Cooler
    {
        return new Cooler($node->get('effectiveness')->number(), 1000.0 * $node->get('capacity_kj_k')->number(), $node->get('ua_w_k')->number());
    }
}
