<?php

namespace Pebblerun\Core\Job\Commands;

/** Moves a part from one stage to another, with what was agreed on it. */
final readonly class Move implements Command
{
    public function __construct(private string $stage, private string $to, private string $part) {}

    public static function name(): string
    {
        return 'move';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key(), 'to' => Field::key(), 'part' => Field::key()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['to'], $fields['part']);
    }

    public function apply(PlanDraft $draft): void
    {
        $from = $draft->stage($this->stage);
        $to = $draft->stage($this->to);
        foreach ($draft->plan['stages'][$from]['changes'] as $change) {
            if (($change['fit'] ?? null) === $this->part) {
                $draft->drop($from, $draft->catalog->part($this->part)->slots[0]);
                $draft->fit($to, $this->part, $change);

                return;
            }
        }
        throw InvalidCommand::notThere($this->part, $draft->plan['stages'][$from]['name']);
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('move', ['part' => $before->partName($this->part), 'stage' => $before->numberOf($this->stage), 'to' => $before->numberOf($this->to)]);
    }
}
