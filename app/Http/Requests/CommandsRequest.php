<?php

namespace App\Http\Requests;

use Pebblerun\Core\Job\Commands\Editor;

/**
 * Small typed changes of a plan.
 *
 * @phpstan-import-type Command from Editor
 */
final class CommandsRequest extends RevisionRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'commands' => ['required', 'array', 'min:1', 'max:40'],
            'commands.*' => [new CommandRule],
        ];
    }

    /** @return list<Command> */
    public function commands(): array
    {
        return array_values($this->validated('commands'));
    }
}
