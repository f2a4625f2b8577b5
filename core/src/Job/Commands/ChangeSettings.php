<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Job\Plan\Stacking;

/** Changes calculation settings; what is not named stays. */
final readonly class ChangeSettings implements Command
{
    public function __construct(private ?string $stacking, private ?string $loss, private ?string $priceBasis) {}

    public static function name(): string
    {
        return 'settings';
    }

    public static function fields(): array
    {
        return ['stacking?' => Field::oneOf(...array_column(Stacking::cases(), 'value')), 'loss?' => Field::oneOf('percentage', 'constant'), 'price_basis?' => Field::oneOf('new', 'used')];
    }

    public static function of(array $fields): self
    {
        return new self($fields['stacking'] ?? null, $fields['loss'] ?? null, $fields['price_basis'] ?? null);
    }

    public function apply(PlanDraft $draft): void
    {
        foreach ($this->given() as $setting => $value) {
            $draft->plan['settings'][$setting] = $value;
        }
    }

    public function describe(PlanDraft $before): Description
    {
        return new Description('settings', $this->given());
    }

    /** @return array<string, string> */
    private function given(): array
    {
        return array_filter(['stacking' => $this->stacking, 'loss' => $this->loss, 'price_basis' => $this->priceBasis], fn (?string $value): bool => $value !== null);
    }
}
