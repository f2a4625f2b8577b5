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
    /** @var array<string, list<float>> of families */
    private array $known = [];

    /** @var array<string, array{?list<float>, ?list<float>}> of gains within a ceiling */
    private array $parts = [];

    /** @param  list<float>  $rpms  rising */
    public function __construct(private readonly array $rpms, private readonly ?Draws $draws) {}

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
        $open = $rest = null;
        foreach ($gains as $gain) {
            // A gain alone in its family within its ceiling is 1 + g, as one without a ceiling is.
            $key = $gain->signature.(count($gains) === 1 ? '' : "/{$ceiling}");
            [$opens, $rests] = $this->parts[$key] ??= $this->part($gain, $ceiling, count($gains) === 1);
            $open = Flat::product($open, $opens);
            $rest = Flat::product($rest, $rests);
        }
        if ($open === null) {
            return $rest ?? [];
        }
        $factor = [];
        foreach ($open as $left) {
            $factor[] = 1.0 + $ceiling * (1.0 - $left);
        }

        return Flat::product($factor, $rest) ?? [];
    }

    /**
     * What one gain leaves open of its family's ceiling, 1 − min(g,C)/C, and what it multiplies by outside of it: 1 + g for
     * losses, and for all where nothing is to be shared or there is no ceiling.
     *
     * @return array{?list<float>, ?list<float>} flat; null where it is 1 throughout
     */
    private function part(Gain $gain, float $ceiling, bool $alone): array
    {
        $rows = $gain->rows($this->draws?->part($gain->part->key));
        $least = min($rows);
        $most = max($rows);
        if ($ceiling === INF || $most <= 0.0 || ($alone && $most <= $ceiling)) {
            return [null, $this->along($gain, array_map(fn (float $g): float => 1.0 + $g, $rows))];
        }
        if ($least >= 0.0 && $most <= $ceiling) {
            return [$this->along($gain, array_map(fn (float $g): float => 1.0 - $g / $ceiling, $rows)), null];
        }
        $open = $rest = [];
        foreach ($this->along($gain, $rows) as $g) {
            $open[] = $g > 0.0 ? ($g < $ceiling ? 1.0 - $g / $ceiling : 0.0) : 1.0;
            $rest[] = $g > 0.0 ? 1.0 : 1.0 + $g;
        }

        return [$open, $least < 0.0 ? $rest : null];
    }

    /**
     * 1 + Σ g·reference/baseline: the quoted figures added up.
     *
     * @param  non-empty-list<Gain>  $gains
     * @return list<float>
     */
    private function sum(array $gains): array
    {
        $sum = null;
        foreach ($gains as $gain) {
            $ratios = Knots::spread($gain->knots(), $gain->ratiosAtKnots(), $this->rpms);
            $sum = Flat::plus($sum, $this->along($gain, $gain->rows($this->draws?->part($gain->part->key))), $ratios);
        }

        return array_map(fn (float $gains): float => 1.0 + $gains, $sum ?? []);
    }

    /**
     * Straight lines between a gain's knots, row by row.
     *
     * @param  list<float>  $rows  values at the knots, flat
     * @return list<float> flat, row × width + place
     */
    private function along(Gain $gain, array $rows): array
    {
        $knots = $gain->knots();
        [$places, $along] = Knots::weights($knots, $this->rpms);
        $step = count($knots);
        $rows[] = 0.0;
        $values = [];
        for ($start = 0, $end = count($rows) - 1; $start < $end; $start += $step) {
            foreach ($places as $r => $place) {
                $at = $start + $place;
                $values[] = $rows[$at] + ($rows[$at + 1] - $rows[$at]) * $along[$r];
            }
        }

        return $values;
    }
}
