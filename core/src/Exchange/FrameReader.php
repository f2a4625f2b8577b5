<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Physics\Dyno\Frame;
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

        return $frame === null ? Frame::own() : $frame->guard(fn (): Frame => Frame::of(
            ($frame->maybe('at')?->keyword('wheels', 'crank') ?? 'wheels') === 'crank',
            $frame->maybe('dyno')?->string(),
            $factors,
            $loss,
        ));
    }
}
