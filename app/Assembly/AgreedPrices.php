<?php

namespace App\Assembly;

use Pebblerun\Core\Job\Commands\PlanDraft;

/**
 * What was agreed on the prices of a plan's parts.
 *
 * @phpstan-import-type PlanDocument from PlanDraft
 */
final readonly class AgreedPrices
{
    /**
     * Whether a part that both have is agreed at another price in the second, or at none in one of them.
     *
     * @param  PlanDocument  $before
     * @param  PlanDocument  $after
     */
    public static function differ(array $before, array $after): bool
    {
        $was = self::byPart($before);
        $is = self::byPart($after);

        return array_intersect_key($was, $is) != array_intersect_key($is, $was);
    }

    /**
     * @param  PlanDocument  $plan
     * @return array<string, list<float|int|null>> by part
     */
    private static function byPart(array $plan): array
    {
        $prices = [];
        foreach ($plan['stages'] as $stage) {
            foreach ($stage['changes'] as $change) {
                if (isset($change['fit'])) {
                    $prices[$change['fit']][] = $change['agreed'] ?? null;
                }
            }
        }

        return $prices;
    }
}
