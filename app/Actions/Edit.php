<?php

namespace App\Actions;

use App\Models\User;

/** Who changes a document, from which queue, on which version of the job, and under which name. */
final readonly class Edit
{
    /**
     * @param  string  $request  the sender's name for it: under one name one thing is done, once
     * @param  string  $queue  in which its sender's edits stand one behind another
     * @param  int  $seen  version of the job that was shown when it was made
     * @param  string  $asked  hash of what is asked
     */
    public function __construct(public User $author, public string $request, public string $queue, public int $seen, public string $asked) {}
}
