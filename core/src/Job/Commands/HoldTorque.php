<?php

namespace Pebblerun\Core\Job\Commands;

/** Has a stage's map hold torque between two speeds, or no longer. Later stages that held the same go along. */
final readonly class HoldTorque implements Command
{
    /** @param  ?array{torque: float, unit?: string, from_rpm: float, to_rpm: float}  $hold  null releases it */
    public function __construct(private string $stage, private ?array $hold) {}

    public static function name(): string
    {
        return 'hold';
    }

    public static function fields(): array
    {
        $rpm = ['type' => 'number', 'minimum' => 100, 'maximum' => 20000];

        return ['stage' => Field::key(), 'hold' => [
            'type' => ['object', 'null'],
            'properties' => ['torque' => ['type' => 'number', 'exclusiveMinimum' => 0, 'maximum' => 10000], 'unit' => ['enum' => ['lb-ft', 'Nm']], 'from_rpm' => $rpm, 'to_rpm' => $rpm],
            'required' => ['torque', 'from_rpm', 'to_rpm'],
            'additionalProperties' => false,
        ]];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['hold']);
    }

    public function apply(PlanDraft $draft): void
    {
        $stage = $draft->stage($this->stage);
        if ($this->hold !== null && $this->hold['from_rpm'] >= $this->hold['to_rpm']) {
            throw InvalidCommand::turnedRound($this->hold['from_rpm'], $this->hold['to_rpm']);
        }
        $before = $draft->plan['stages'][$stage]['hold'] ?? null;
        for ($i = $stage; $i < count($draft->plan['stages']) && ($draft->plan['stages'][$i]['hold'] ?? null) == $before; $i++) {
            unset($draft->plan['stages'][$i]['hold']);
            if ($this->hold !== null) {
                $draft->plan['stages'][$i]['hold'] = $this->hold;
            }
        }
    }

    public function describe(PlanDraft $before): Description
    {
        return $this->hold === null
            ? new Description('hold-no-more', ['stage' => $before->numberOf($this->stage)])
            : new Description('hold', ['stage' => $before->numberOf($this->stage), 'torque' => $this->hold['torque'], 'unit' => $this->hold['unit'] ?? '', 'from' => $this->hold['from_rpm'], 'until' => $this->hold['to_rpm']]);
    }
}
