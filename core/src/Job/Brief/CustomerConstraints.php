<?php

namespace Pebblerun\Core\Job\Brief;

/** What the customer wants besides power. */
final readonly class CustomerConstraints
{
    /**
     * @param  list<Refusal>  $refuses
     * @param  bool  $asStock  no louder than the factory made it
     * @param  bool  $strictInspection  every changed emission or noise part must be entered
     * @param  bool  $warranty  the maker's warranty still runs
     */
    public function __construct(
        public array $refuses = [],
        public bool $asStock = false,
        public bool $strictInspection = false,
        public bool $warranty = false,
    ) {}

    /** @return list<Refusal> */
    public function refusals(): array
    {
        return $this->asStock && ! in_array(Refusal::Louder, $this->refuses, true) ? [...$this->refuses, Refusal::Louder] : $this->refuses;
    }
}
