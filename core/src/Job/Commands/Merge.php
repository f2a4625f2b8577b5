<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\CoreException;

/**
 * Commands that were made on an older document, held against what it became meanwhile. Those that touch places nobody else
 * touched can follow; the others ask.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class Merge
{
    /** @param  list<MergeField>  $fields  one for each command */
    private function __construct(public array $fields) {}

    /**
     * @param  PlanDocument  $base  that the commands were made on
     * @param  PlanDocument  $current
     * @param  list<array<string, mixed>>  $commands
     */
    public static function of(array $base, array $current, array $commands, Catalog $catalog): self
    {
        $places = new PlanPlaces($catalog);
        $theirs = $places->changed($base, $current);
        $mine = $base;
        $merged = $current;
        $fields = [];
        foreach ($commands as $command) {
            [$before, $beforeMerged] = [$mine, $merged];
            $follows = self::tried($merged, $command, $catalog);
            $mine = self::tried($mine, $command, $catalog) ?? $mine;
            $merged = $follows ?? $merged;
            $touched = $places->changed($before, $mine);
            $shared = PlanPlaces::shared($theirs, $touched);
            // On their plan it would do something else: it must not, unasked.
            $differs = $follows !== null && self::differ($touched, $places->changed($beforeMerged, $merged));
            $fields[] = new MergeField(
                Commands::describe([$command], $before, $catalog)[0],
                array_values($shared === [] && $differs ? $theirs : $shared),
                $follows !== null,
            );
        }

        return new self($fields);
    }

    public function isFree(): bool
    {
        return array_filter($this->fields, fn (MergeField $field): bool => $field->clashes()) === [];
    }

    /**
     * @param  array<string, Description>  $these
     * @param  array<string, Description>  $those
     */
    private static function differ(array $these, array $those): bool
    {
        return array_diff_key($these, $those) !== [] || array_diff_key($those, $these) !== [];
    }

    /**
     * @param  PlanDocument  $plan
     * @param  array<string, mixed>  $command
     * @return ?PlanDocument null when it cannot be done there
     */
    private static function tried(array $plan, array $command, Catalog $catalog): ?array
    {
        try {
            return Commands::apply($plan, [$command], $catalog);
        } catch (CoreException) {
            return null;
        }
    }
}
