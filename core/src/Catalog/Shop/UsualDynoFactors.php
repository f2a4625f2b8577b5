<?php

namespace Pebblerun\Core\Catalog\Shop;

use Pebblerun\Core\Physics\Dyno\DynoKind;

/**
 * What figures of other kinds of dyno are usually multiplied by to be a shop's own, until it has measured that itself: low, likely and high.
 * As between a load roller and the rest in the demo's shop (docs/method.md, dyno); an inertia roller reads high, a hub dyno has no tyres.
 */
final class UsualDynoFactors
{
    /** To a load roller's. */
    private const TO_LOAD_ROLLER = ['load-roller' => [1.0, 1.0, 1.0], 'inertia-roller' => [0.85, 0.89, 0.92], 'hub' => [0.92, 0.95, 0.98], 'engine' => [0.96, 0.98, 1.0]];

    /**
     * @return list<array{dyno: string, factor: array{float, float, float}}> of every other kind
     */
    public static function of(DynoKind $own): array
    {
        [$low, $likely, $high] = self::TO_LOAD_ROLLER[$own->value];
        $factors = [];
        foreach (array_diff_key(self::TO_LOAD_ROLLER, [$own->value => true]) as $dyno => $to) {
            $factors[] = ['dyno' => $dyno, 'factor' => [round($to[0] / $high, 3), round($to[1] / $likely, 3), round($to[2] / $low, 3)]];
        }

        return $factors;
    }
}
