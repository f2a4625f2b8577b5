<?php

namespace App\Actions;

/** A step over the whole plan: undo, redo, restoring a revision, taking a variant. */
final readonly class Step
{
    /**
     * @param  string  $do  undo, redo, restore, take or renew
     * @param  int|string  $of  undo and redo: the revision, or the request, that the plan is thought to stand at; restore: the revision's
     *                          number; take: the variant's id; renew: the number of the library's version
     */
    public function __construct(public string $do, public int|string $of) {}

    public function walks(): bool
    {
        return $this->do === 'undo' || $this->do === 'redo';
    }
}
