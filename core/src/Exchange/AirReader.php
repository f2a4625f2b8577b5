<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Air\ChargePath;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Physics\Air\CoolerCore;
use Pebblerun\Core\Physics\Air\CoolerKind;

/** Reads compressors and coolers. */
final class AirReader
{
    public static function side(?DocumentNode $node): ?AirSide
    {
        return $node === null ? null : new AirSide(
            new Compressor($node->get('compressor_efficiency')->number(), $node->maybe('compressor_flow_kg_s')?->number()),
            self::maybeCooler($node->maybe('cooler')),
            self::loss($node->maybe('inlet_loss_kpa')) ?? ChargePath::INLET_LOSS,
            self::loss($node->maybe('cooler_loss_kpa')) ?? ChargePath::COOLER_LOSS,
        );
    }

    public static function maybeCooler(?DocumentNode $node): ?Cooler
    {
        return $node === null ? null : self::cooler($node);
    }

    public static function maybeCompressor(?DocumentNode $node): ?Compressor
    {
        return $node === null ? null : new Compressor($node->get('efficiency')->number(), $node->maybe('flow_kg_s')?->number(), 1e5 * ($node->maybe('spring_bar')?->number() ?? Compressor::SPRING / 1e5));
    }

    /** What is stated of it; where nothing is, what is typical of its core. */
    private static function cooler(DocumentNode $node): Cooler
    {
        $core = $node->maybe('core');
        if ($core !== null && ! $node->has('effectiveness')) {
            return Cooler::of(self::core($core), self::loss($node->maybe('loss_kpa')));
        }

        return new Cooler(
            $node->get('effectiveness')->number(), 1000.0 * $node->get('capacity_kj_k')->number(), $node->get('ua_w_k')->number(),
            $node->maybe('flow_kg_s')?->number(), self::loss($node->maybe('loss_kpa')),
        );
    }

    private static function core(DocumentNode $node): CoolerCore
    {
        $volume = 1.0;
        foreach (['width_mm', 'height_mm', 'depth_mm'] as $side) {
            $volume *= 1e-3 * $node->get($side)->number();
        }

        return new CoolerCore($node->get('kind')->enum(CoolerKind::class), $volume);
    }

    /** @return ?float Pa */
    private static function loss(?DocumentNode $node): ?float
    {
        return $node === null ? null : 1000.0 * $node->number();
    }
}
