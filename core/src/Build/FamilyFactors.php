<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Plan\Stacking;

/**
 * What each family of gains multiplies power by, for the likely figures or for a set of draws at once.
 *
 * Factors are flat lists, row × width + place, kept by their gains' signatures: stages that share them share the work.
 */
final class FamilyFactors
{
    private readonly int $width;

    /** @var array<string, list<float>> */
    private array $known = [];

    /** @param  list<float>  $rpms  rising */
    public function __construct(private readonly array $rpms, private readonly ?Draws $draws)
    {
        $this->width = count($rpms);
    }

    /**
     * @param  list<Gain>  $gains
     * @return list<list<float>> one flat factor for each family
     */
    public function of(array $gains, Stacking $stacking): array
    {
        $families = [];
        foreach ($gains as $gain) {
            $families[$stacking === Stacking::Diminishing ? $gain->family : ''][] = $gain;
        }

        return array_values(array_map(fn (array $family): array => $this->family($family, $stacking), $families));
    }

    /**
     * @param  non-empty-list<Gain>  $gains  of one family, or all of them for a rule without families
     * @return list<float>
     */
    private function family(array $gains, Stacking $stacking): array
    {
        $key = $stacking->value.':'.implode('|', array_map(fn (Gain $gain): string => $gain->signature, $gains));

        return $this->known[$key] ??= match ($stacking) {
            Stacking::Diminishing => $this->diminishing($gains, $gains[0]->ceiling),
            Stacking::Compound => $this->diminishing($gains, INF),
            Stacking::Sum => $this->sum($gains),
        };
    }

    /**
     * (1 + C·(1 − Π(1 − min(g,C)/C))) · Π(1 + loss); without a ceiling Π(1 + g).
     *
     * @param  non-empty-list<Gain>  $gains
     * @return list<float>
     */
    private function diminishing(array $gains, float $ceiling): array
    {
        [$rows, $knots, $places, $along, $count] = $this->tables($gains);
        if (count($gains) === 1) {
            return self::alone($rows[0], $knots[0], $places[0], $along[0], $ceiling);
        }
        $bounded = $ceiling !== INF;
        $factor = [];
        for ($row = 0; $row < $count; $row++) {
            for ($r = 0; $r < $this->width; $r++) {
                $open = $rest = 1.0;
                foreach ($rows as $k => $values) {
                    $at = $row * $knots[$k] + $places[$k][$r];
                    $g = $values[$at] + ($values[$at + 1] - $values[$at]) * $along[$k][$r];
                    if ($g > 0.0 && $bounded) {
                        $open *= $g < $ceiling ? 1.0 - $g / $ceiling : 0.0;
                    } else {
                        $rest *= 1.0 + $g;
                    }
                }
                $factor[] = $bounded ? $rest * (1.0 + $ceiling * (1.0 - $open)) : $rest;
            }
        }

        return $factor;
    }

    /**
     * A gain without others in its family: 1 + min(g, C). The same as the loop above, without its inner one.
     *
     * @param  list<float>  $values  at the knots, row by row
     * @param  list<int>  $places
     * @param  list<float>  $along
     * @return list<float>
     */
    private static function alone(array $values, int $knots, array $places, array $along, float $ceiling): array
    {
        $factor = [];
        for ($start = 0, $end = count($values) - 1; $start < $end; $start += $knots) {
            foreach ($places as $r => $place) {
                $at = $start + $place;
                $g = $values[$at] + ($values[$at + 1] - $values[$at]) * $along[$r];
                $factor[] = 1.0 + ($g < $ceiling ? $g : $ceiling);
            }
        }

        return $factor;
    }

    /**
     * 1 + Σ g·reference/baseline: the quoted figures added up.
     *
     * @param  non-empty-list<Gain>  $gains
     * @return list<float>
     */
    private function sum(array $gains): array
    {
        [$rows, $knots, $places, $along, $count] = $this->tables($gains);
        $ratios = array_map(fn (Gain $gain): array => Knots::spread($gain->knots(), $gain->ratiosAtKnots(), $this->rpms), $gains);
        $factor = [];
        for ($row = 0; $row < $count; $row++) {
            for ($r = 0; $r < $this->width; $r++) {
                $total = 1.0;
                foreach ($rows as $k => $values) {
                    $at = $row * $knots[$k] + $places[$k][$r];
                    $total += ($values[$at] + ($values[$at + 1] - $values[$at]) * $along[$k][$r]) * $ratios[$k][$r];
                }
                $factor[] = $total;
            }
        }

        return $factor;
    }

    /**
     * Each gain's values at its knots, row by row, and where each rpm falls between them.
     *
     * @param  non-empty-list<Gain>  $gains
     * @return array{list<list<float>>, list<int>, list<list<int>>, list<list<float>>, int} values, knots a row, places, ways, rows
     */
    private function tables(array $gains): array
    {
        $rows = $knots = $places = $along = [];
        foreach ($gains as $gain) {
            $at = $gain->knots();
            [$places[], $along[]] = Knots::weights($at, $this->rpms);
            $rows[] = [...$gain->rows($this->draws?->part($gain->part->key)), 0.0];
            $knots[] = count($at);
        }

        return [$rows, $knots, $places, $along, $this->draws?->count() ?? 1];
    }
}
