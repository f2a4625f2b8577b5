<?php

namespace Pebblerun\Core\Job\Commands;

/** Gives the plan a name. */
final readonly class RenamePlan implements Command
{
    public function __construct(private string $name) {}

    public static function name(): string
    {
        return 'rename-plan';
    }

    public static function fields(): array
    {
        return ['name' => [...Field::name(), 'minLength' => 1]];
    }

    public static function of(array $fields): self
    {
        return new self($fields['name']);
    }

    public function apply(PlanDraft $draft): void
    {
        $draft->plan['name'] = $this->name;
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('rename-plan', ['name' => $this->name]);
    }
}
