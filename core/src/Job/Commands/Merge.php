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
        $fields = [];
        foreach ($commands as $command) {
            $before = $mine;
            $mine = self::tried($before, $command, $catalog) ?? $before;
            $follows = self::tried($current, $command, $catalog) !== null || $before !== $base;
            $fields[] = new MergeField(
                Commands::describe([$command], $before, $catalog)[0],
                array_values(PlanPlaces::shared($theirs, $places->changed($before, $mine))),
                $follows,
            );
        }

        return new self($fields);
    }

    public function isFree(): bool
    {
        return array_filter($this->fields, fn (MergeField $field): bool => $field->clashes()) === [];
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
