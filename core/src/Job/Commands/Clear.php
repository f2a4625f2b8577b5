<?php

namespace Pebblerun\Core\Job\Commands;

/** Takes back what a stage fits in a slot; where it fits nothing, puts the slot back to stock. */
final readonly class Clear implements Command
{
    public function __construct(private string $stage, private string $slot) {}

    public static function name(): string
    {
        return 'clear';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key(), 'slot' => Field::key()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['slot']);
    }

    public function apply(PlanDraft $draft): void
    {
        $stage = $draft->stage($this->stage);
        $slot = $draft->catalog->slot($this->slot);
        if (! $draft->drop($stage, $slot)) {
            $draft->plan['stages'][$stage]['changes'][] = ['remove' => $slot];
        }
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('clear', ['slot' => $before->slotName($this->slot), 'stage' => $before->numberOf($this->stage)]);
    }
}
