<?php

namespace App\Http\Requests;

use Illuminate\Validation\Rule;
use Pebblerun\Core\Plan\Editor;
use Pebblerun\Core\Plan\Stacking;

/**
 * Small typed changes of a plan.
 *
 * @phpstan-import-type Command from Editor
 */
final class CommandsRequest extends RevisionRequest
{
    private const KEY = ['sometimes', 'string', 'regex:/^[a-z0-9][a-z0-9-]{0,63}$/'];

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'commands' => ['required', 'array', 'min:1', 'max:40'],
            'commands.*.do' => ['required', Rule::in(['fit', 'clear', 'move', 'fuel', 'line', 'add-stage', 'remove-stage', 'rename-stage', 'split-stage', 'merge-stage', 'move-stage', 'settings'])],
            'commands.*.stage' => self::KEY,
            'commands.*.to' => self::KEY,
            'commands.*.part' => self::KEY,
            'commands.*.parts' => ['sometimes', 'array', 'min:1', 'max:40'],
            'commands.*.parts.*' => self::KEY,
            'commands.*.slot' => self::KEY,
            'commands.*.fuel' => self::KEY,
            'commands.*.name' => ['sometimes', 'string', 'max:60'],
            'commands.*.basis' => ['sometimes', 'nullable', Rule::in(['new', 'used', 'owned'])],
            'commands.*.agreed' => ['sometimes', 'nullable', 'numeric', 'min:0', 'max:1000000'],
            'commands.*.stacking' => ['sometimes', Rule::enum(Stacking::class)],
            'commands.*.loss' => ['sometimes', Rule::in(['percentage', 'constant'])],
            'commands.*.price_basis' => ['sometimes', Rule::in(['new', 'used'])],
            'commands.*.bought' => ['sometimes', 'nullable', 'boolean'],
            'commands.*.quantity' => ['sometimes', 'integer', 'min:1', 'max:99'],
        ];
    }

    /** @return list<Command> */
    public function commands(): array
    {
        return array_values($this->validated('commands'));
    }
}
