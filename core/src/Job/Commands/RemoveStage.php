<?php

namespace Pebblerun\Core\Job\Commands;

/** Takes a stage out, with all that it does. */
final readonly class RemoveStage implements Command
{
    public function __construct(private string $stage) {}

    public static function name(): string
    {
        return 'remove-stage';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage']);
    }

    public function apply(PlanDraft $draft): void
    {
        $draft->remove($draft->stage($this->stage));
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('remove-stage', ['stage' => $before->numberOf($this->stage)]);
    }
}
