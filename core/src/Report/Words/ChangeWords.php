<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Job\Commands\Editor;
use Pebblerun\Core\Job\Plan\Stacking;

/**
 * Names a change the way the history shows it.
 *
 * @phpstan-import-type Command from Editor
 * @phpstan-import-type PlanDocument from Editor
 */
final readonly class ChangeWords
{
    /** @param  PlanDocument  $plan  as it was before */
    private function __construct(private array $plan, private Catalog $catalog) {}

    /**
     * @param  list<Command>  $commands
     * @param  PlanDocument  $plan
     */
    public static function of(array $commands, array $plan, Catalog $catalog): string
    {
        $words = new self($plan, $catalog);

        return ucfirst(Listing::join(array_map($words->say(...), $commands), 'and'));
    }

    /** @param  Command  $command */
    private function say(array $command): string
    {
        $stage = $this->stage($command['stage'] ?? '');
        $part = $this->catalog->parts[$command['part'] ?? '']->name ?? ($command['part'] ?? 'part');
        $slot = lcfirst($this->catalog->platform->slots[$command['slot'] ?? '']->name ?? 'slot');

        return match ($command['do']) {
            'fit' => "fit {$part} in {$stage}",
            'clear' => "clear the {$slot} in {$stage}",
            'move' => "move {$part} from {$stage} to {$this->stage($command['to'] ?? '')}",
            'fuel' => "run {$stage} on ".($this->catalog->fuels[$command['fuel'] ?? '']->name ?? 'another fuel'),
            'line' => array_key_exists('bought', $command) ? ($command['bought'] ? "mark {$part} in {$stage} as bought" : "mark {$part} in {$stage} as not bought") : "change the price of {$part} in {$stage}",
            'add-stage' => 'add a stage',
            'remove-stage' => "remove {$stage}",
            'split-stage' => "split {$stage}",
            'merge-stage' => "merge {$stage} into the one before",
            'move-stage' => "put {$stage} in the place of {$this->stage($command['to'] ?? '')}",
            'settings' => $this->settings($command),
            'rename-stage' => "rename {$stage} to \"".($command['name'] ?? '').'"',
            default => $command['do'],
        };
    }

    /** @param  Command  $command */
    private function settings(array $command): string
    {
        $said = array_filter([
            isset($command['stacking']) ? 'stacking: '.(Stacking::tryFrom($command['stacking'])?->words() ?? $command['stacking']) : '',
            isset($command['loss']) ? "loss: {$command['loss']}" : '',
            isset($command['price_basis']) ? "prices: {$command['price_basis']}" : '',
        ]);

        return 'reckon by '.implode(', ', $said);
    }

    private function stage(string $key): string
    {
        $place = array_search($key, array_column($this->plan['stages'], 'key'), true);

        return is_int($place) ? 'stage '.($place + 1) : 'a stage';
    }
}
