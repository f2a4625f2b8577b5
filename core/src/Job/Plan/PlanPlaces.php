<?php

namespace Pebblerun\Core\Job\Plan;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Job\Commands\Editor;

/**
 * A plan document as independent places: what a stage does in a slot, its fuel, its name, a setting, the row of stages.
 * Two changes that touch different places do not disturb each other.
 *
 * @phpstan-import-type PlanDocument from Editor
 * @phpstan-import-type ChangeDocument from Editor
 */
final readonly class PlanPlaces
{
    private const STAGES = '@stages';

    public function __construct(private Catalog $catalog) {}

    /**
     * The places in which two documents differ, with what stands there after.
     *
     * @param  PlanDocument  $before
     * @param  PlanDocument  $after
     * @return array<string, string> words by place
     */
    public function changed(array $before, array $after): array
    {
        $was = $this->of($before);
        $is = $this->of($after);
        $changed = [];
        foreach (array_keys($was + $is) as $place) {
            // By what stands there; its words also say in which stage, and that may only have moved.
            if (($was[$place][0] ?? null) !== ($is[$place][0] ?? null)) {
                $changed[$place] = $is[$place][1] ?? explode(':', $was[$place][1])[0].': taken away';
            }
        }

        return $changed;
    }

    /**
     * @param  PlanDocument  $plan
     * @return array<string, array{string, string}> value and words by place
     */
    private function of(array $plan): array
    {
        $keys = array_column($plan['stages'], 'key');
        $cells = [self::STAGES => [implode(',', $keys), count($keys).' stages']];
        foreach ($plan['settings'] ?? [] as $setting => $value) {
            $cells["@{$setting}"] = [$value, "reckoned by {$value}"];
        }
        foreach ($plan['stages'] as $i => $stage) {
            $where = 'stage '.($i + 1);
            $cells["{$stage['key']}/@fuel"] = [$stage['fuel'], "{$where} on ".($this->catalog->fuels[$stage['fuel']]->name ?? $stage['fuel'])];
            $cells["{$stage['key']}/@name"] = [$stage['name'], "{$where} is called \"{$stage['name']}\""];
            foreach ($stage['changes'] as $change) {
                foreach ($this->slots($change) as $slot) {
                    $cells["{$stage['key']}/{$slot}"] = [(string) json_encode($change), $this->words($change, $slot, $where)];
                }
            }
        }

        return $cells;
    }

    /**
     * @param  ChangeDocument  $change
     * @return list<string>
     */
    private function slots(array $change): array
    {
        return isset($change['fit']) ? ($this->catalog->parts[$change['fit']]->slots ?? []) : [(string) ($change['remove'] ?? '')];
    }

    /** @param  ChangeDocument  $change */
    private function words(array $change, string $slot, string $where): string
    {
        $name = $this->catalog->platform->slots[$slot]->name ?? $slot;
        $details = array_filter([$change['basis'] ?? null, isset($change['agreed']) ? "agreed at {$change['agreed']}" : null, isset($change['quantity']) ? "{$change['quantity']} of them" : null, isset($change['bought']) ? 'bought' : null]);

        return "{$name} in {$where}: ".(isset($change['fit']) ? ($this->catalog->parts[$change['fit']]->name ?? $change['fit']) : 'back to stock')
            .($details === [] ? '' : ', '.implode(', ', $details));
    }
}
