<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Limits\LimitReading;

/** One figure of two plans. */
final readonly class ComparedFigure
{
    /** 1 where the one here is better, −1 the one there, 0 where neither is. */
    public int $lead;

    /** @param  -1|0|1  $more  whether more is better, worse, or neither; @param  ?int  $lead  where the figures are no numbers */
    public function __construct(public ComparedCode $code, public int|float|LimitReading|null $here, public int|float|LimitReading|null $there, int $more, ?int $lead = null)
    {
        $this->lead = $lead ?? ($here <=> $there) * $more;
    }
}
