<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Validation\ValidationException;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Report\BoardDocument;

final class CandidatesRequest extends FormRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['slot' => ['required', 'string', 'max:64'], 'stage' => ['required', 'integer', 'min:1']];
    }

    /**
     * @return array{string, int} a slot of the platform, or the fuel, and a stage of the plan
     *
     * @throws ValidationException
     */
    public function place(Bundle $bundle): array
    {
        $slot = $this->string('slot')->value();
        $stage = $this->integer('stage');
        if ($slot !== BoardDocument::FUEL && ! isset($bundle->catalog->platform->slots[$slot])) {
            throw ValidationException::withMessages(['slot' => "The platform has no slot \"{$slot}\"."]);
        }
        if (! isset($bundle->plan->stages[$stage - 1])) {
            throw ValidationException::withMessages(['stage' => "The plan has no stage {$stage}."]);
        }

        return [$slot, $stage];
    }
}
