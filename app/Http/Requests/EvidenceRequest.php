<?php

namespace App\Http\Requests;

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

    /** @return array{kind: string, figures: array<string, list<float>>, made_on: string, build: string, frame: string, source: string, note: ?string} */
    public function said(): array
    {
        $range = fn (string $figure): array => array_values(array_map(floatval(...), (array) $this->input($figure)));

        return [...$this->saidOfTheRecord(), 'figures' => ['power' => $range('power'), 'torque' => $range('torque')]];
    }
}
