<?php

namespace App\Actions;

use App\Models\User;

/** Who changes a plan, on which revision, and under which name the browser sends it. */
final readonly class Edit
{
    /**
     * @param  ?string  $request  the sender's own name for it: sent again under the same name, it is done once
     * @param  ?string  $asked  hash of what is asked under that name
     */
    public function __construct(public int $basedOn, public User $author, public ?string $request = null, public ?string $asked = null) {}
}
