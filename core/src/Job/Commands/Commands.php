<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\UnknownChoice;

/**
 * Every command there is, by what "do" says.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final class Commands
{
    /** @var non-empty-list<class-string<Command>> */
    private const ALL = [
        Fit::class, Clear::class, Move::class, RunOnFuel::class, HoldTorque::class, AcceptLimit::class, ChangeLine::class, ChangeSettings::class,
        AddStage::class, RemoveStage::class, RenameStage::class, SplitStage::class, MergeStage::class, MoveStage::class, RenamePlan::class,
    ];

    /** @return array<string, class-string<Command>> by name */
    public static function all(): array
    {
        $all = [];
        foreach (self::ALL as $class) {
            $all[$class::name()] = $class;
        }

        return $all;
    }

    /**
     * @param  array<string, mixed>  $command  that its schema takes
     *
     * @throws InvalidCommand for a "do" that there is not.
     */
    public static function of(array $command): Command
    {
        $class = self::all()[$command['do'] ?? ''] ?? throw InvalidCommand::unknown((string) ($command['do'] ?? ''), array_keys(self::all()));

        return $class::of($command);
    }

    /**
     * @param  PlanDocument  $plan
     * @param  list<array<string, mixed>>  $commands  applied in order
     * @return PlanDocument
     *
     * @throws UnknownChoice for a part, slot or fuel that is not in the catalog.
     * @throws InvalidCommand for a command that cannot be done.
     */
    public static function apply(array $plan, array $commands, Catalog $catalog): array
    {
        $draft = new PlanDraft($plan, $catalog);
        foreach ($commands as $command) {
            self::of($command)->apply($draft);
        }

        return $draft->plan;
    }

    /**
     * @param  list<array<string, mixed>>  $commands
     * @param  PlanDocument  $plan  as it was before
     * @return list<Description>
     */
    public static function describe(array $commands, array $plan, Catalog $catalog): array
    {
        $before = new PlanDraft($plan, $catalog);

        return array_map(fn (array $command): Description => self::of($command)->describe($before), $commands);
    }

    /** @return array<string, mixed> JSON Schema of every command: one of them, known by its "do" */
    public static function schema(): array
    {
        $definitions = array_map(self::schemaOf(...), self::all());

        return [
            '$schema' => 'https://json-schema.org/draft/2020-12/schema',
            '$id' => 'https://pebblerun.invalid/schemas/commands.json',
            'title' => 'Command',
            'description' => 'One small change of a plan.',
            'oneOf' => array_map(fn (string $name): array => ['$ref' => "#/\$defs/{$name}"], array_keys($definitions)),
            '$defs' => $definitions,
        ];
    }

    /**
     * @param  class-string<Command>  $class
     * @return array<string, mixed> JSON Schema of one command; it refers to no other
     */
    public static function schemaOf(string $class): array
    {
        $properties = ['do' => ['const' => $class::name()]];
        $required = ['do'];
        foreach ($class::fields() as $field => $schema) {
            $properties[rtrim($field, '?')] = $schema;
            if (! str_ends_with($field, '?')) {
                $required[] = $field;
            }
        }

        return ['title' => substr($class, (int) strrpos($class, '\\') + 1).'Command', 'type' => 'object', 'properties' => $properties, 'required' => $required, 'additionalProperties' => false];
    }
}
