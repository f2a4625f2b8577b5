<?php

namespace App\Http\Requests;

use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/** Small typed changes of a plan, each held against the schema of its own. */
final class CommandsRequest extends RevisionRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'commands' => ['required', 'list', 'min:1', 'max:40'],
        ];
    }

    /**
     * @return non-empty-list<array<string, mixed>>
     *
     * @throws InvalidDocument with the place of each fault.
     */
    public function commands(): array
    {
        // As they were sent: to an array {} and [] would be the same.
        $sent = json_decode($this->getContent())->commands ?? [];

        return DocumentReader::standard()->commands($sent);
    }
}
