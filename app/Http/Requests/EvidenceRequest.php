<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** A record of a gain: what was measured or claimed, when, on what. In the shop's units. */
final class EvidenceRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'case' => ['required', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
            'kind' => ['required', Rule::in(['maker', 'shop-dyno', 'other-dyno', 'judgement'])],
            'power' => ['required', 'list', 'size:3'],
            'torque' => ['required', 'list', 'size:3'],
            'power.*' => ['numeric', 'min:-5000', 'max:5000'],
            'torque.*' => ['numeric', 'min:-5000', 'max:5000'],
            'on' => ['required', 'date_format:Y-m-d', 'after:1990-01-01', "before_or_equal:{$this->person()->shop->today()}"],
            'build' => ['nullable', 'string', 'max:400'],
            'frame' => ['nullable', 'string', 'max:200'],
            'source' => ['nullable', 'string', 'max:400'],
            'note' => ['nullable', 'string', 'max:2000'],
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

        return [
            'kind' => $this->string('kind')->value(), 'figures' => ['power' => $range('power'), 'torque' => $range('torque')], 'made_on' => $this->string('on')->value(),
            'build' => $this->string('build')->value(), 'frame' => $this->string('frame')->value(), 'source' => $this->string('source')->value(), 'note' => $this->filled('note') ? $this->string('note')->value() : null,
        ];
    }
}
