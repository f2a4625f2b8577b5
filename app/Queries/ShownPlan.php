<?php

namespace App\Queries;

use App\Assembly\Bundles;
use App\Assembly\Estimates;
use App\Models\LibraryVersion;
use App\Models\Plan;
use App\Models\PlanRevision;
use Illuminate\Validation\ValidationException;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * The plan that somebody looks at: as it stands, or as it was at a revision, under the brief of today.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class ShownPlan
{
    private function __construct(private Plan $plan, private ?PlanRevision $past) {}

    /** @param  int  $number  of a revision; 0 for the plan as it stands */
    public static function at(Plan $plan, int $number): self
    {
        return new self($plan, $number === 0 ? null : PlanRevision::query()->with('author')->where('plan_id', $plan->id)->where('number', $number)->firstOrFail());
    }

    public function revision(): PlanRevision
    {
        return $this->past ?? PlanRevision::query()->with('author')->where('plan_id', $this->plan->id)->where('number', $this->plan->revision)->firstOrFail();
    }

    /** @return PlanDocument */
    public function document(): array
    {
        return $this->past->document ?? $this->plan->document;
    }

    public function opened(): OpenedBundle
    {
        return Bundles::read($this->plan->job, $this->library(), $this->document());
    }

    /** That it was made with then. */
    private function library(): LibraryVersion
    {
        return $this->past === null || $this->past->library_version_id === $this->plan->library_version_id
            ? $this->plan->library
            : LibraryVersion::query()->select(LibraryVersion::LIGHT)->findOrFail($this->past->library_version_id);
    }

    public function estimates(): Estimates
    {
        return Estimates::of($this->opened());
    }

    /**
     * @param  int  $stage  counted from 0, as received
     *
     * @throws ValidationException for one that there is not.
     */
    public function mustHave(int $stage): self
    {
        return $stage <= count($this->document()['stages']) ? $this : throw ValidationException::withMessages(['stage' => "The plan has no stage {$stage}."]);
    }
}
