<?php

namespace Pebblerun\Core\Evaluation\Limits;

/** Where a stage's limits stand in its draws. */
final readonly class DrawnLimits
{
    /**
     * @param  list<Standing>  $standings  one for each limit of the model
     * @param  list<bool>  $belowSafe  for each draw, whether every limit stays at or below safe
     * @param  list<bool>  $belowEdge  likewise, edge
     */
    public function __construct(public array $standings, public array $belowSafe, public array $belowEdge) {}
}
