<?php

namespace Pebblerun\Core\Job\Commands;

/** Takes the named parts of a stage into a new one behind it, on the same fuel. */
final readonly class SplitStage implements Command
{
    /**
     * @param  ?string  $key  that only the new stage ever has; the sender makes it
     * @param  list<string>  $parts
     */
    public function __construct(private ?string $key, private string $stage, private array $parts, private string $name) {}

    public static function name(): string
    {
        return 'split-stage';
    }

    public static function fields(): array
    {
        return ['key?' => Field::key(), 'stage' => Field::key(), 'parts' => Field::keys(), 'name?' => Field::name()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['key'] ?? null, $fields['stage'], $fields['parts'], $fields['name'] ?? '');
    }

    public function apply(PlanDraft $draft): void
    {
        $stage = $draft->stage($this->stage);
        $from = $draft->plan['stages'][$stage];
        $taken = array_filter($from['changes'], fn (array $change): bool => in_array($change['fit'] ?? '', $this->parts, true));
        if ($taken === []) {
            throw InvalidCommand::notThere(implode(', ', $this->parts), $from['name']);
        }
        $draft->plan['stages'][$stage]['changes'] = array_values(array_diff_key($from['changes'], $taken));
        $draft->insert($stage + 1, ['key' => $draft->newKey($this->key), 'name' => $this->name, 'fuel' => $from['fuel'], 'changes' => array_values($taken), ...array_intersect_key($from, ['hold' => true])]);
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('split-stage', ['stage' => $before->numberOf($this->stage)]);
    }
}
