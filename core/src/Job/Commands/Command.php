<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\UnknownChoice;

/**
 * One small typed change of a plan. Its schema is all that anybody else needs to know: requests are held against it, and the
 * page's types come from it.
 */
interface Command
{
    /** What "do" says. */
    public static function name(): string;

    /** @return array<string, array<string, mixed>> JSON Schema of each field but "do"; those under "?" may be left out */
    public static function fields(): array;

    /** @param  array<string, mixed>  $fields  that its schema takes */
    public static function of(array $fields): self;

    /**
     * @throws UnknownChoice for a part, slot or fuel that is not in the catalog.
     * @throws InvalidCommand when it cannot be done on this plan.
     */
    public function apply(PlanDraft $draft): void;

    /** What it does, as a code with parameters, on the plan as it was before. */
    public function describe(PlanDraft $before): Description;
}
