<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;

/** What a new platform begins with: a sibling of one that is there, or answers about an engine. */
final class NewPlatformRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        $number = ['required_without:sibling_of', 'numeric', 'gt:0'];

        return [
            'name' => ['required', 'string', 'min:2', 'max:200'],
            'sibling_of' => ['sometimes', 'integer', 'min:1', 'max:'.PHP_INT_MAX],
            'make' => ['required_without:sibling_of', 'string', 'min:1', 'max:200'],
            'model' => ['required_without:sibling_of', 'string', 'min:1', 'max:200'],
            'from' => ['required_without:sibling_of', 'integer', 'min:1900', 'max:2100'],
            'to' => ['required_without:sibling_of', 'integer', 'gte:from', 'max:2100'],
            'displacement' => [...$number, 'max:25'],
            'cylinders' => ['required_without:sibling_of', 'integer', 'min:1', 'max:16'],
            'aspiration' => ['required_without:sibling_of', Rule::in(['natural', 'turbo', 'blower'])],
            'injection' => ['required_without:sibling_of', Rule::in(['port', 'direct'])],
            'fuel' => ['required_without:sibling_of', Rule::in(['petrol', 'diesel'])],
            'drive' => ['required_without:sibling_of', Rule::in(['front', 'rear', 'all'])],
            'gearbox' => ['required_without:sibling_of', Rule::in(['manual', 'automatic', 'dual-clutch'])],
            'rev_limit' => [...$number, 'max:20000'],
            'torque' => [...$number, 'max:5000'],
            'torque_rpm' => [...$number, 'max:20000', 'lt:power_rpm'],
            'power' => [...$number, 'max:5000'],
            'power_rpm' => [...$number, 'max:20000', 'lte:rev_limit'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return [
            'to.gte' => 'The last model year does not come before the first.',
            'torque_rpm.lt' => 'The torque peak must be at a lower rpm than the power peak.',
            'power_rpm.lte' => 'The power peak must be below the rev limit.',
        ];
    }

    /** @return array<string, mixed> of Pebblerun\Core\Job\NewPlatform */
    public function answers(): array
    {
        return [
            ...$this->safe()->only(['name', 'make', 'model', 'drive', 'gearbox']),
            'years' => ['from' => $this->integer('from'), 'to' => $this->integer('to')],
            'engine' => ['displacement' => $this->float('displacement'), 'cylinders' => $this->integer('cylinders'), ...$this->safe()->only(['aspiration', 'injection', 'fuel'])],
            'rev_limit' => $this->float('rev_limit'),
            'peaks' => [
                'torque' => ['rpm' => $this->float('torque_rpm'), 'value' => $this->float('torque')],
                'power' => ['rpm' => $this->float('power_rpm'), 'value' => $this->float('power')],
                'redline' => $this->float('rev_limit'),
            ],
        ];
    }
}
