<?php

namespace App\Http\Requests;

use Pebblerun\Core\Job\Commands\Commands;
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

        return array_map(self::named(...), DocumentReader::standard()->commands($sent));
    }

    /**
     * A new stage whose sender gave it no key gets one that no stage of any time has.
     *
     * @param  array<string, mixed>  $command
     * @return array<string, mixed>
     */
    private static function named(array $command): array
    {
        return isset(Commands::all()[$command['do']]::fields()['key?']) ? $command + ['key' => 's-'.bin2hex(random_bytes(6))] : $command;
    }
}
