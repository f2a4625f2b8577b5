<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Job\Plan\PlanPlaces;
use Pebblerun\Core\Report\Words\ChangeWords;

/**
 * Commands that were made on an older document, held against what it became meanwhile. Those that touch places nobody else
 * touched can follow; the others ask.
 *
 * @phpstan-import-type PlanDocument from Editor
 * @phpstan-import-type Command from Editor
 */
final readonly class Merge
{
    /**
     * @param  list<array{mine: string, theirs: string, clashes: bool, can: bool}>  $fields  one for each command; theirs is empty where
     *                                                                              nothing clashes, and it cannot stand where what it needs is gone
     */
    private function __construct(public array $fields) {}

    /**
     * @param  PlanDocument  $base  that the commands were made on
     * @param  PlanDocument  $current
     * @param  list<Command>  $commands
     */
    public static function of(array $base, array $current, array $commands, Catalog $catalog): self
    {
        $cells = new PlanPlaces($catalog);
        $theirs = $cells->changed($base, $current);
        $mine = $base;
        $fields = [];
        foreach ($commands as $command) {
            $before = $mine;
            $mine = self::tried($before, $command, $catalog) ?? $before;
            $clashes = array_intersect_key($theirs, $cells->changed($before, $mine));
            $follows = self::tried($current, $command, $catalog) !== null || $before !== $base;
            $fields[] = [
                'mine' => ChangeWords::of([$command], $before, $catalog),
                'theirs' => implode('; ', $clashes) ?: ($follows ? '' : 'what it needs is gone'),
                'clashes' => $clashes !== [] || ! $follows,
                'can' => $follows,
            ];
        }

        return new self($fields);
    }

    public function isFree(): bool
    {
        return array_filter($this->fields, fn (array $field): bool => $field['clashes']) === [];
    }

    /**
     * @param  PlanDocument  $plan
     * @param  Command  $command
     * @return ?PlanDocument null when it cannot be done there
     */
    private static function tried(array $plan, array $command, Catalog $catalog): ?array
    {
        try {
            return Editor::apply($plan, [$command], $catalog);
        } catch (CoreException) {
            return null;
        }
    }
}
