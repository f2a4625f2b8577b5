<?php

namespace Pebblerun\Core\Job\Brief;

/** What is said plainly before a plan is made, and noted as told. */
enum Warning: string
{
    case Reliability = 'reliability';
    case Reserve = 'reserve';
    case Warranty = 'warranty';
    case Insurance = 'insurance';
    case Law = 'law';

    public function text(): string
    {
        return match ($this) {
            self::Reliability => 'More power costs reliability: what was made for less wears faster, and something may break.',
            self::Reserve => 'A reserve for breakage belongs in the budget, and is in every figure here.',
            self::Warranty => 'A map or a part may end the maker’s warranty on what it touches.',
            self::Insurance => 'The insurer must be told; an undeclared change can void the cover.',
            self::Law => 'Emission parts, noise and roadworthiness follow local rules; a licensed shop and the local code decide.',
        };
    }
}
