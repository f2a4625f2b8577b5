<?php

namespace App\Actions;

use App\Models\Plan;
use App\Models\User;

/** Keeps a plan as it stands under a name. */
final class KeepVariant
{
    public function keep(Plan $plan, string $name, User $author): void
    {
        $plan->variants()->updateOrCreate(
            ['name' => $name],
            ['document' => $plan->document, 'summary' => $plan->summary, 'author_id' => $author->id, 'created_at' => now()],
        );
    }
}
