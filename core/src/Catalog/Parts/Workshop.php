<?php

namespace Pebblerun\Core\Catalog\Parts;

/** What the workshop needs to know to fit a part. */
final readonly class Workshop
{
    /**
     * @param  list<string>  $tools
     * @param  list<string>  $steps  in their order
     * @param  list<Fastener>  $fasteners
     * @param  list<Gasket>  $gaskets
     * @param  list<string>  $moves  what moves over from the old part
     * @param  ?int  $leadDays  until it is there; null where nobody said
     */
    public function __construct(public array $tools = [], public array $steps = [], public array $fasteners = [], public array $gaskets = [], public array $moves = [], public ?int $leadDays = null, public string $warranty = '') {}
}
