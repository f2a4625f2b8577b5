<?php

namespace Pebblerun\Core\Job\Commands;

/** Puts a stage's changes into the one before and takes its fuel over; what both fit in a slot stays the later's. */
final readonly class MergeStage implements Command
{
    public function __construct(private string $stage) {}

    public static function name(): string
    {
        return 'merge-stage';
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
        $stage = $draft->stage($this->stage);
        $merged = $draft->plan['stages'][$stage];
        $into = $draft->plan['stages'][$stage - 1] ?? throw InvalidCommand::nothingBefore($merged['name']);
        foreach ($merged['changes'] as $change) {
            foreach ($draft->slotsOf($change) as $slot) {
                $into['changes'] = $draft->without($into['changes'], $slot);
            }
            $into['changes'][] = $change;
        }
        $into['fuel'] = $merged['fuel'];
        if (isset($merged['accepts'])) {
            $into['accepts'] = array_values([...array_column($into['accepts'] ?? [], null, 'limit'), ...array_column($merged['accepts'], null, 'limit')]);
        }
        unset($into['hold']);
        if (isset($merged['hold'])) {
            $into['hold'] = $merged['hold'];
        }
        $draft->plan['stages'][$stage - 1] = $into;
        $draft->remove($stage);
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('merge-stage', ['stage' => $before->numberOf($this->stage)]);
    }
}
