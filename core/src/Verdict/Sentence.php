<?php

namespace Pebblerun\Core\Verdict;

use Pebblerun\Core\Limits\Status;

/** One line of the verdict, with its reasons. */
final readonly class Sentence
{
    /**
     * @param  string  $subject  target, budget, limits, build, fuel or law
     * @param  list<string>  $reasons
     */
    public function __construct(
        public string $subject,
        public Status $status,
        public string $headline,
        public string $detail,
        public array $reasons,
    ) {}
}
