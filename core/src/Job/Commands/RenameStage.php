<?php

namespace Pebblerun\Core\Job\Commands;

/** Gives a stage a name. */
final readonly class RenameStage implements Command
{
    public function __construct(private string $stage, private string $name) {}

    public static function name(): string
    {
        return 'rename-stage';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key(), 'name' => Field::name()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['name']);
    }

    public function apply(PlanDraft $draft): void
    {
        $draft->plan['stages'][$draft->stage($this->stage)]['name'] = $this->name;
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('rename-stage', ['stage' => $before->numberOf($this->stage), 'name' => $this->name]);
    }
}
