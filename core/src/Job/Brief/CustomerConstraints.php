<?php

namespace Pebblerun\Core\Job\Brief;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\SoundLevel;

/** What the customer wants besides power. */
final readonly class CustomerConstraints
{
    /**
     * @param  list<Refusal>  $refuses
     * @param  ?SoundLevel  $loudest  how loud the car may be; null where nobody said
     * @param  bool  $strictInspection  every changed emission or noise part must be entered
     * @param  bool  $warranty  the maker's warranty still runs
     */
    public function __construct(
        public array $refuses = [],
        public ?SoundLevel $loudest = null,
        public bool $strictInspection = false,
        public bool $warranty = false,
    ) {}

    /** @return list<Refusal> what a part brings that the customer will not live with */
    public function refusesOf(Part $part): array
    {
        $met = array_filter($this->refuses, fn (Refusal $refusal): bool => $refusal !== Refusal::Louder && $refusal->metBy($part));

        return [...array_values($met), ...($this->isTooLoud($part) ? [Refusal::Louder] : [])];
    }

    /** By the record of its sound; one that is only called louder is a little louder. */
    private function isTooLoud(Part $part): bool
    {
        $loudest = in_array(Refusal::Louder, $this->refuses, true) ? SoundLevel::AsStock : $this->loudest;
        $level = $part->sound->level ?? (Refusal::Louder->metBy($part) ? SoundLevel::ALittle : null);

        return $loudest !== null && $level !== null && $level->louderThan($loudest);
    }
}
