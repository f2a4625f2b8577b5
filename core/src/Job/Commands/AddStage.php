<?php

namespace Pebblerun\Core\Job\Commands;

/** Adds an empty stage at the end, on the fuel of the last. */
final readonly class AddStage implements Command
{
    /** @param  ?string  $key  that only this stage ever has; the sender makes it */
    public function __construct(private ?string $key, private string $name, private ?string $fuel) {}

    public static function name(): string
    {
        return 'add-stage';
    }

    public static function fields(): array
    {
        return ['key?' => Field::key(), 'name?' => Field::name(), 'fuel?' => Field::key()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['key'] ?? null, $fields['name'] ?? '', $fields['fuel'] ?? null);
    }

    public function apply(PlanDraft $draft): void
    {
        $last = $draft->plan['stages'][count($draft->plan['stages']) - 1] ?? null;
        $fuel = $last['fuel'] ?? $draft->catalog->fuel($this->fuel ?? (string) array_key_first($draft->catalog->fuels))->key;
        $draft->plan['stages'][] = ['key' => $draft->newKey($this->key), 'name' => $this->name, 'fuel' => $fuel, 'changes' => []];
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('add-stage');
    }
}
