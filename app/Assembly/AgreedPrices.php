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
     * Whether a price that was agreed is another one in the second, is not there any more, or is new there: also where the part was taken out
     * or came in with it.
     *
     * @param  PlanDocument  $before
     * @param  PlanDocument  $after
     */
    public static function differ(array $before, array $after): bool
    {
        return self::byPart($before) != self::byPart($after);
    }

    /**
     * @param  PlanDocument  $plan
     * @return array<string, list<float|int>> by part
     */
    private static function byPart(array $plan): array
    {
        $prices = [];
        foreach ($plan['stages'] as $stage) {
            foreach ($stage['changes'] as $change) {
                if (isset($change['fit'], $change['agreed'])) {
                    $prices[$change['fit']][] = $change['agreed'];
                }
            }
        }

        return array_map(function (array $agreed): array {
            sort($agreed);

            return $agreed;
        }, $prices);
    }
}
