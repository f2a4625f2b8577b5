<?php

namespace Pebblerun\Core\Job\Commands;

use Pebblerun\Core\Catalog\Catalog;

/**
 * A plan document as independent places: what a stage does in a slot, its fuel, its name, a setting, the row of stages. Two
 * changes that touch different places do not disturb each other; a stage that is taken out claims every place in it.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 * @phpstan-import-type ChangeDocument from PlanDraft
 */
final readonly class PlanPlaces
{
    private const STAGES = '@stages';

    private const NAME = '@plan-name';

    private const WHOLE = '/*';

    public function __construct(private Catalog $catalog) {}

    /**
     * The places in which two documents differ, with what stands there after.
     *
     * @param  PlanDocument  $before
     * @param  PlanDocument  $after
     * @return array<string, Description> by place
     */
    public function changed(array $before, array $after): array
    {
        $was = $this->of($before);
        $is = $this->of($after);
        $changed = [];
        $gone = self::stagesGone($before, $after);
        foreach (array_keys($was + $is) as $place) {
            if (isset($gone[strtok($place, '/')])) {
                continue;
            }
            // By what stands there; its description also says in which stage, and that may only have moved.
            if (($was[$place][0] ?? null) !== ($is[$place][0] ?? null)) {
                $changed[$place] = $is[$place][1] ?? new Description('place-emptied', $was[$place][1]->parameters);
            }
        }
        foreach ($gone as $key => $number) {
            $changed[$key.self::WHOLE] = new Description('stage-removed', ['stage' => $number]);
        }

        return $changed;
    }

    /**
     * What of these places the others touch too.
     *
     * @param  array<string, Description>  $these
     * @param  array<string, Description>  $others
     * @return array<string, Description> of these
     */
    public static function shared(array $these, array $others): array
    {
        return array_filter($these, function (string $place) use ($others): bool {
            foreach (array_keys($others) as $other) {
                if ($place === $other || self::claims($place, $other) || self::claims($other, $place)) {
                    return true;
                }
            }

            return false;
        }, ARRAY_FILTER_USE_KEY);
    }

    private static function claims(string $whole, string $place): bool
    {
        return str_ends_with($whole, self::WHOLE) && str_starts_with($place, substr($whole, 0, -1));
    }

    /**
     * @param  PlanDocument  $before
     * @param  PlanDocument  $after
     * @return array<string, int> number they had, by key
     */
    private static function stagesGone(array $before, array $after): array
    {
        $keys = array_column($before['stages'], 'key');
        $numbers = array_combine($keys, array_map(fn (int $i): int => $i + 1, array_keys($keys)));

        return array_diff_key($numbers, array_flip(array_column($after['stages'], 'key')));
    }

    /**
     * @param  PlanDocument  $plan
     * @return array<string, array{string, Description}> value and description by place
     */
    private function of(array $plan): array
    {
        $draft = new PlanDraft($plan, $this->catalog);
        $keys = array_column($plan['stages'], 'key');
        $places = [
            self::STAGES => [implode(',', $keys), new Description('stages', ['count' => count($keys)])],
            self::NAME => [$plan['name'], new Description('rename-plan', ['name' => $plan['name']])],
        ];
        foreach ($plan['settings'] ?? [] as $setting => $value) {
            $places["@{$setting}"] = [$value, new Description('settings', [$setting => $value])];
        }
        foreach ($plan['stages'] as $i => $stage) {
            $where = ['stage' => $i + 1];
            $places["{$stage['key']}/@fuel"] = [$stage['fuel'], new Description('place-fuel', [...$where, 'fuel' => $draft->fuelName($stage['fuel'])])];
            $places["{$stage['key']}/@name"] = [$stage['name'], new Description('place-name', [...$where, 'name' => $stage['name']])];
            if (isset($stage['hold'])) {
                $hold = $stage['hold'];
                $places["{$stage['key']}/@hold"] = [(string) json_encode($hold), new Description('hold', [...$where, 'torque' => $hold['torque'], 'unit' => $hold['unit'] ?? '', 'from' => $hold['from_rpm'], 'until' => $hold['to_rpm']])];
            }
            foreach ($stage['accepts'] ?? [] as $one) {
                $places["{$stage['key']}/@accepts-{$one['limit']}"] = [(string) json_encode($one), new Description('accept', [...$where, 'limit' => $draft->limitName($one['limit']), 'reason' => $one['reason']])];
            }
            foreach ($stage['changes'] as $change) {
                foreach ($draft->slotsOf($change) as $slot) {
                    $places["{$stage['key']}/{$slot}"] = [(string) json_encode($change), self::describe($change, $draft, ['slot' => $draft->slotName($slot), ...$where])];
                }
            }
        }

        return $places;
    }

    /**
     * @param  ChangeDocument  $change
     * @param  array<string, string|int>  $where
     */
    private static function describe(array $change, PlanDraft $draft, array $where): Description
    {
        return isset($change['fit'])
            ? new Description('place-part', [...$where, 'part' => $draft->partName($change['fit']), ...array_intersect_key($change, array_flip(PlanDraft::DETAILS))])
            : new Description('place-stock', $where);
    }
}
