<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Physics\Dyno\Frame;

/** What was done to figures from elsewhere: "converted from another dyno, load roller (× 1.08 to 1.15)". */
final class FrameWords
{
    public static function of(Frame $frame): string
    {
        $done = array_filter([
            $frame->factor === null ? '' : sprintf('from another dyno, %s (× %.2f to %.2f)', str_replace('-', ' ', (string) $frame->dyno), $frame->factor->low, $frame->factor->high),
            $frame->loss === null ? '' : sprintf('from the crank (− %.0f %%)', 100 * $frame->loss),
        ]);

        return 'converted '.implode(' and ', $done);
    }
}
