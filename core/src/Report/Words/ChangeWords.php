<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Job\Commands\Description;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Report\Terms;

/** Says what was done to a plan. A command without words of its own is said by its name and parameters. */
final class ChangeWords
{
    /** By code; parameters in braces. */
    private const SENTENCES = [
        'fit' => 'fit {part} in {stage}',
        'clear' => 'clear the {slot} in {stage}',
        'move' => 'move {part} from {stage} to {to}',
        'fuel' => 'run {stage} on {fuel}',
        'line' => 'change the price of {part} in {stage}',
        'bought' => 'mark {part} in {stage} as bought',
        'own-work' => 'leave fitting {part} in {stage} to the customer',
        'not-own-work' => 'fit {part} in {stage} in the shop',
        'not-bought' => 'mark {part} in {stage} as not bought',
        'accept' => 'accept {limit} past its limit from {stage} on: {reason}',
        'accept-no-more' => 'accept {limit} no longer in {stage}',
        'hold' => 'cap torque at {torque} {unit} from {from} to {until} rpm in {stage}',
        'hold-no-more' => 'no torque cap in {stage}',
        'add-stage' => 'add a stage',
        'remove-stage' => 'remove {stage}',
        'rename-stage' => 'rename {stage} to "{name}"',
        'rename-plan' => 'call the plan "{name}"',
        'split-stage' => 'split {stage}',
        'merge-stage' => 'merge {stage} into the one before',
        'move-stage' => 'put {stage} in the place of {to}',
        'stages' => '{count} stages',
        'stage-removed' => '{stage} removed',
        'place-part' => '{slot} in {stage}: {part}{details}',
        'place-stock' => '{slot} in {stage}: back to stock',
        'place-emptied' => '{slot} in {stage}: taken away',
        'place-fuel' => '{stage} on {fuel}',
        'place-name' => '{stage} is called "{name}"',
        'start' => 'start',
        'start-from' => 'start from another plan',
        'undo' => 'undo: {what}',
        'redo' => 'redo: {what}',
        'restore' => 'restore revision {number}: {what}',
        'take' => 'take variant "{name}"',
        'renew' => 'take version {number} of the library',
    ];

    /** @param  list<Description>  $changes */
    public static function of(array $changes): string
    {
        return ucfirst(Listing::join(array_map(self::one(...), $changes), 'and'));
    }

    public static function one(Description $change): string
    {
        $sentence = $change->code === 'settings' ? self::settings($change->parameters) : (self::SENTENCES[$change->code] ?? self::plainly($change));
        $values = ['{details}' => self::details($change->parameters)];
        foreach ($change->parameters as $name => $value) {
            $values["{{$name}}"] = match ($name) {
                'stage', 'to' => $value === null ? 'a stage' : "stage {$value}",
                'slot' => str_starts_with($sentence, '{slot}') ? (string) $value : lcfirst((string) $value),
                default => (string) $value,
            };
        }

        return strtr($sentence, $values);
    }

    private static function plainly(Description $change): string
    {
        $said = array_map(fn (string $name): string => "{$name} {{$name}}", array_keys($change->parameters));

        return str_replace('-', ' ', $change->code).($said === [] ? '' : ': '.implode(', ', $said));
    }

    /** @param  array<string, string|int|float|bool|null>  $given */
    private static function settings(array $given): string
    {
        $said = array_filter([
            isset($given['stacking']) ? 'gains '.(($rule = Stacking::tryFrom((string) $given['stacking'])) === null ? $given['stacking'] : Terms::stacking($rule)) : '',
            isset($given['loss']) ? "{$given['loss']} loss" : '',
            isset($given['price_basis']) ? "{$given['price_basis']} prices" : '',
        ]);

        return 'calculation settings: '.implode(', ', $said);
    }

    /** @param  array<string, string|int|float|bool|null>  $given */
    private static function details(array $given): string
    {
        $said = array_filter([
            isset($given['basis']) ? (string) $given['basis'] : '',
            isset($given['agreed']) ? "agreed at {$given['agreed']}" : '',
            isset($given['quantity']) ? "{$given['quantity']} of them" : '',
            isset($given['bought']) ? 'bought' : '',
            isset($given['own_work']) ? 'fitted by the customer' : '',
        ]);

        return $said === [] ? '' : ', '.implode(', ', $said);
    }
}
