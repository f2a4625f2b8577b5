<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Parts\Part;

/**
 * How much a build is doubted against the car as known: κ, the mean of the evidence behind what was added or taken off, weighted by
 * what it gives. Nothing changed, nothing doubted. The figures were held against measured cars: eight in ten fall inside P10–P90.
 */
final class Doubt
{
    public static function of(StageModel $build, StageModel $known): float
    {
        return self::mean(self::changed($build, $known));
    }

    /**
     * What was added or taken off.
     *
     * @return list<array{Evidence, float, ?Part}> evidence, weight, and the part whose gain it is
     */
    public static function changed(StageModel $build, StageModel $known): array
    {
        $before = self::contributions($known);
        $after = self::contributions($build);

        return [...array_values(array_diff_key($after, $before)), ...array_values(array_diff_key($before, $after))];
    }

    /** @param  list<array{Evidence, float, ?Part}>  $changed */
    public static function mean(array $changed): float
    {
        if ($changed === []) {
            return 0.0;
        }
        $weights = array_column($changed, 1);
        if (array_sum($weights) <= 0.0) {
            $weights = array_fill(0, count($changed), 1.0);
        }

        return array_sum(array_map(fn (array $one, float $weight): float => self::behind($one[0]) * $weight, $changed, $weights)) / array_sum($weights);
    }

    /**
     * What makes power: evidence and weight, under a name of the part, its figures and how much of them is realised.
     *
     * @return array<string, array{Evidence, float, ?Part}>
     */
    private static function contributions(StageModel $model): array
    {
        $contributions = [];
        foreach ($model->gains as $gain) {
            $timing = $gain->part->map === null ? '' : $model->timing;
            $contributions["{$gain->part->key}/{$timing}/{$gain->share}/{$gain->case->power->name()}/{$gain->case->torque->name()}"] = [$gain->case->source->evidence, $gain->weight(), $gain->part];
        }
        foreach ($model->added as [$part, $window]) {
            $contributions["{$part}/{$window->from}/{$window->power->name()}"] = [Evidence::Judgement, $window->power->likely / $model->build->peakPower(), null];
        }

        return $contributions;
    }

    private static function behind(Evidence $evidence): float
    {
        return match ($evidence) {
            Evidence::ShopDyno => 0.12,
            Evidence::OtherDyno => 0.22,
            Evidence::Judgement => 0.28,
            Evidence::Maker, Evidence::Typical => 0.33,
        };
    }
}
