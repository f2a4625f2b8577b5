<?php

namespace App\Actions;

use App\Models\Plan;
use App\Models\PlanVariant;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;

/** Keeps a plan as it stands under a name, and takes a deletion back. */
final class KeepVariant
{
    /**
     * One's own variant of that name is replaced, another person's is not.
     *
     * @param  int  $seen  the revision that is to be kept
     *
     * @throws ValidationException
     */
    public function keep(Plan $plan, string $name, int $seen, User $author): void
    {
        DB::transaction(function () use ($plan, $name, $seen, $author): void {
            $now = Plan::query()->lockForUpdate()->findOrFail($plan->id);
            if ($now->revision !== $seen) {
                throw ValidationException::withMessages(['revision' => "The plan is at revision {$now->revision} now, not at {$seen}: look at it, and save the variant again."]);
            }
            $before = $this->named($plan, $name);
            if ($before !== null && $before->author->isNot($author)) {
                throw self::taken($before);
            }
            $plan->variants()->updateOrCreate(
                ['name' => $name],
                ['document' => $now->document, 'author_id' => $author->id, 'created_at' => now()],
            );
        });
    }

    /** @throws ValidationException when its name was given to another meanwhile. */
    public function restore(PlanVariant $variant, Plan $plan): void
    {
        $other = $variant->trashed() ? $this->named($plan, $variant->name) : null;
        if ($other !== null) {
            throw self::taken($other);
        }
        $variant->restore();
    }

    private function named(Plan $plan, string $name): ?PlanVariant
    {
        return $plan->variants()->with('author')->where('name', $name)->first();
    }

    private static function taken(PlanVariant $variant): ValidationException
    {
        return ValidationException::withMessages(['name' => "There is a variant \"{$variant->name}\" by {$variant->author->name}: choose another name."]);
    }
}
