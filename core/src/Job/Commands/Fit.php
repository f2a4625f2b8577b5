<?php

namespace Pebblerun\Core\Job\Commands;

/** Fits a part in a stage; where it already stands, it is bought again. */
final readonly class Fit implements Command
{
    /** @param  array<string, mixed>  $details  of its line: basis, agreed, quantity, bought, own work */
    public function __construct(private string $stage, private string $part, private array $details = []) {}

    public static function name(): string
    {
        return 'fit';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key(), 'part' => Field::key(), ...Field::line()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['part'], $fields);
    }

    public function apply(PlanDraft $draft): void
    {
        $draft->fit($draft->stage($this->stage), $this->part, $this->details);
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('fit', ['part' => $before->partName($this->part), 'stage' => $before->numberOf($this->stage)]);
    }
}
