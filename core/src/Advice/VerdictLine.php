<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Limits\Status;

/** One line of the verdict, with its reasons. */
final readonly class VerdictLine
{
    /** @param  list<Message>  $reasons */
    public function __construct(
        public VerdictSubject $subject,
        public Status $status,
        public Message $headline,
        public ?Message $detail,
        public array $reasons,
    ) {}
}
