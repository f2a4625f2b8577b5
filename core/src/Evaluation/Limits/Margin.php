<?php

namespace Pebblerun\Core\Evaluation\Limits;

/** Between what a limit stands, known without draws. */
final readonly class Margin
{
    /**
     * @param  Standing  $least  no percentile of the draws is below its own
     * @param  Standing  $most  no percentile of the draws is above its own
     */
    public function __construct(public Standing $least, public Standing $most) {}

    public static function exactly(Standing $standing): self
    {
        return new self($standing, $standing);
    }

    /** Whether draws could say nothing else. */
    public function isCertain(): bool
    {
        return $this->least->status() === $this->most->status();
    }
}
