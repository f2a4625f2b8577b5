<?php

namespace App\Http\Requests;

use Pebblerun\Core\Units\UnitSystem;

/** A record of a gain: what was measured or claimed, when, on what. In the shop's units. */
final class EvidenceRequest extends PersonRequest
{
    use SaysARecord;

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...$this->aboutTheRecord(),
            'case' => ['required', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
            'power' => ['required', 'list', 'size:3'],
            'torque' => ['required', 'list', 'size:3'],
            'power.*' => ['numeric', 'min:-5000', 'max:5000'],
            'torque.*' => ['numeric', 'min:-5000', 'max:5000'],
        ];
    }

    /** @return array<int, callable> */
    public function after(): array
    {
        return [function ($validator): void {
            foreach (['power', 'torque'] as $figure) {
                $range = (array) $this->input($figure);
                $sorted = $range;
                sort($sorted);
                if ($range !== $sorted) {
                    $validator->errors()->add($figure, "Low, likely and high of {$figure} come in this order.");
                }
            }
        }];
    }

    /** @return array<string, mixed> its figures in W and N·m */
    public function said(): array
    {
        $units = UnitSystem::parse($this->person()->shop->units);
        $range = fn (string $figure, float $size): array => array_values(array_map(fn (mixed $value): float => (float) $value * $size, (array) $this->input($figure)));

        return [...$this->saidOfTheRecord(), 'figures' => ['power' => $range('power', $units->power->watts()), 'torque' => $range('torque', $units->torque->newtonMetres())]];
    }
}
