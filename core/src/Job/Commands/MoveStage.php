<?php

namespace Pebblerun\Core\Job\Commands;

/** Puts a stage in another's place; the ones between move up. */
final readonly class MoveStage implements Command
{
    public function __construct(private string $stage, private string $to) {}

    public static function name(): string
    {
        return 'move-stage';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key(), 'to' => Field::key()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['to']);
    }

    public function apply(PlanDraft $draft): void
    {
        $from = $draft->stage($this->stage);
        $to = $draft->stage($this->to);
        $moved = $draft->plan['stages'][$from];
        $draft->remove($from);
        $draft->insert($to, $moved);
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('move-stage', ['stage' => $before->numberOf($this->stage), 'to' => $before->numberOf($this->to)]);
    }
}
