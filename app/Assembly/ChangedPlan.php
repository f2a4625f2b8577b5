<?php

namespace App\Assembly;

use App\Models\Plan;
use App\Models\User;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Job\Commands\Description;
use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * A plan after commands, with its estimate; nothing is saved yet.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class ChangedPlan
{
    /** @param  PlanDocument  $document */
    private function __construct(public array $document, public PlanChange $change, public Estimates $estimates) {}

    /**
     * @param  list<array<string, mixed>>  $commands  that their schemas take
     *
     * @throws CoreException when they cannot be done.
     */
    public static function by(Plan $plan, array $commands, User $reader): self
    {
        $answer = Estimator::ask($plan->job, $plan->library, $plan->document, Reading::of($reader->setRelation('shop', $plan->job->shop)), $commands);

        return $answer === null ? self::here($plan, $commands, $reader) : new self(
            $answer['document'],
            new PlanChange(array_map(Description::stored(...), $answer['did'])),
            Estimates::answered($plan->job, $plan->library, $answer, $reader),
        );
    }

    /** @param  list<array<string, mixed>>  $commands */
    private static function here(Plan $plan, array $commands, User $reader): self
    {
        $opened = Bundles::of($plan);
        $catalog = $opened->bundle->catalog;
        $change = new PlanChange(Commands::describe($commands, $plan->document, $catalog));
        $document = Commands::apply($plan->document, $commands, $catalog);
        $planned = $opened->withPlan($document);

        return new self($document, $change, Estimates::here($plan->job, $plan->library, $document, $reader, $planned));
    }
}
