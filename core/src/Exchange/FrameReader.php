<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Dyno\Correction;
use Pebblerun\Core\Physics\Dyno\Frame;
use Pebblerun\Core\Physics\Dyno\Weather;
use Pebblerun\Core\Units\Range;

/** Reads where figures were taken, when not at the wheels on the shop's own dyno. */
final class FrameReader
{
    /**
     * @param  DocumentNode  $node  that may say it, under "frame"
     * @param  array<string, Range>  $factors  of the shop, by kind of dyno
     * @param  float  $loss  share of the driveline, for figures from the crank
     */
    public static function read(DocumentNode $node, array $factors, float $loss): Frame
    {
        $frame = $node->maybe('frame');

        return $frame === null ? Frame::own() : self::corrected($frame, $frame->guard(fn (): Frame => Frame::of(
            ($frame->maybe('at')?->keyword('wheels', 'crank') ?? 'wheels') === 'crank',
            $frame->maybe('dyno')?->string(),
            $factors,
            $loss,
        )));
    }

    private static function corrected(DocumentNode $node, Frame $frame): Frame
    {
        $by = $node->maybe('correction')?->enum(Correction::class) ?? Correction::J1349;
        $weather = $node->maybe('weather');
        $day = $weather === null
            ? Weather::of(Ambient::STANDARD_KELVIN - 273.15, Ambient::STANDARD, Ambient::HUMIDITY)
            : Weather::of($weather->get('celsius')->number(), 1000.0 * $weather->get('kpa')->number(), $weather->get('humidity_percent')->number() / 100.0);

        return $by === Correction::J1349 ? $frame : $frame->corrected($by, $day);
    }
}
