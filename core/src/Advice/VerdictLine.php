<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Limits\Status;

/** One line of the verdict, with its reasons. */
final readonly class VerdictLine
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
