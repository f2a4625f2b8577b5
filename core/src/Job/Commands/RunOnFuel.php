<?php

namespace Pebblerun\Core\Job\Commands;

/** Runs a stage on a fuel. Later stages that ran on the same fuel go along, up to the first that chose its own. */
final readonly class RunOnFuel implements Command
{
    public function __construct(private string $stage, private string $fuel) {}

    public static function name(): string
    {
        return 'fuel';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key(), 'fuel' => Field::key()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['fuel']);
    }

    public function apply(PlanDraft $draft): void
    {
        $stage = $draft->stage($this->stage);
        $fuel = $draft->catalog->fuel($this->fuel)->key;
        $before = $draft->plan['stages'][$stage]['fuel'];
        for ($i = $stage; $i < count($draft->plan['stages']) && $draft->plan['stages'][$i]['fuel'] === $before; $i++) {
            $draft->plan['stages'][$i]['fuel'] = $fuel;
        }
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('fuel', ['stage' => $before->numberOf($this->stage), 'fuel' => $before->fuelName($this->fuel)]);
    }
}
