<?php

namespace Pebblerun\Core\Catalog\Conditions;

/** {"year": {"from": 2019, "to": 2022}} – model years, both included */
final readonly class YearIn implements Term
{
    use IsTerm;

    public function __construct(public ?int $from, public ?int $to) {}

    public function holds(Situation $situation): bool
    {
        $year = $situation->car->year;

        return ($this->from === null || $year >= $this->from) && ($this->to === null || $year <= $this->to);
    }

    public function reachable(Choices $choices): bool
    {
        return $choices->hasYears($this->from, $this->to);
    }
}
