<?php

namespace Pebblerun\Core\Job\Commands;

/** Changes what is agreed on a part that a stage buys: price basis, agreed price, quantity, whether it is bought and who fits it. */
final readonly class ChangeLine implements Command
{
    /** @param  array<string, mixed>  $details  those named; null takes one back */
    public function __construct(private string $stage, private string $part, private array $details) {}

    public static function name(): string
    {
        return 'line';
    }

    public static function fields(): array
    {
        return ['stage' => Field::key(), 'part' => Field::key(), ...Field::line()];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['part'], array_intersect_key($fields, array_flip(PlanDraft::DETAILS)));
    }

    public function apply(PlanDraft $draft): void
    {
        $stage = $draft->stage($this->stage);
        foreach ($draft->plan['stages'][$stage]['changes'] as $i => $change) {
            if (($change['fit'] ?? null) === $this->part) {
                $draft->plan['stages'][$stage]['changes'][$i] = array_filter([...$change, ...$this->details], fn (mixed $value): bool => $value !== null);

                return;
            }
        }
        throw InvalidCommand::notThere($this->part, $draft->plan['stages'][$stage]['name']);
    }

    public function describe(PlanDraft $before): Description
    {
        $code = match (true) {
            array_key_exists('own_work', $this->details) => $this->details['own_work'] ? 'own-work' : 'not-own-work',
            array_key_exists('bought', $this->details) => $this->details['bought'] ? 'bought' : 'not-bought',
            default => 'line',
        };

        return new Description($code, ['part' => $before->partName($this->part), 'stage' => $before->numberOf($this->stage)]);
    }
}
