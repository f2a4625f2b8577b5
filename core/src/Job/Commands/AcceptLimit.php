<?php

namespace Pebblerun\Core\Job\Commands;

/** Accepts that a limit is passed from a stage on, with a name and a reason; without a reason it is accepted no longer. */
final readonly class AcceptLimit implements Command
{
    public function __construct(private string $stage, private string $limit, private ?string $reason, private string $by, private string $on) {}

    public static function name(): string
    {
        return 'accept';
    }

    public static function fields(): array
    {
        return [
            'stage' => Field::key(), 'limit' => Field::key(),
            'reason' => ['type' => ['string', 'null'], 'minLength' => 3, 'maxLength' => 400],
            'by?' => ['type' => 'string', 'minLength' => 1, 'maxLength' => 400],
            'on?' => ['type' => 'string', 'pattern' => '^\\d{4}-\\d{2}-\\d{2}$'],
        ];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stage'], $fields['limit'], $fields['reason'], $fields['by'] ?? '', $fields['on'] ?? '');
    }

    public function apply(PlanDraft $draft): void
    {
        $stage = $draft->stage($this->stage);
        $others = array_values(array_filter($draft->plan['stages'][$stage]['accepts'] ?? [], fn (array $one): bool => $one['limit'] !== $this->limit));
        if ($this->reason !== null) {
            $others[] = ['limit' => $this->limit, 'by' => $this->by, 'on' => $this->on, 'reason' => $this->reason];
        }
        unset($draft->plan['stages'][$stage]['accepts']);
        if ($others !== []) {
            $draft->plan['stages'][$stage]['accepts'] = $others;
        }
    }

    public function describe(PlanDraft $before): Description
    {
        $name = $before->limitName($this->limit);
        $stage = $before->numberOf($this->stage);

        return $this->reason === null
            ? new Description('accept-no-more', ['limit' => $name, 'stage' => $stage])
            : new Description('accept', ['limit' => $name, 'stage' => $stage, 'reason' => $this->reason]);
    }
}
