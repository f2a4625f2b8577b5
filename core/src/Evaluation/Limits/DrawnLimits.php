<?php

namespace Pebblerun\Core\Evaluation\Limits;

/** Where a stage's limits stand in its draws. */
final readonly class DrawnLimits
{
    /**
     * @param  list<array{float, float, float}>  $used  P50 and P90 of demand over safe, P75 over edge, for each limit of the model
     * @param  list<bool>  $belowSafe  for each draw, whether every limit that is followed along the curve stays at or below safe
     * @param  list<bool>  $belowEdge  likewise, edge
     */
    public function __construct(public array $used, public array $belowSafe, public array $belowEdge) {}
}
