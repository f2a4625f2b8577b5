<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\PartShare;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Report\UnitFormatter;

/** Explains a part's share of a stage: case, reference, fraction, coverage, stacking. */
final readonly class GainWords
{
    private EffectWords $effects;

    private Peak $power;

    private Peak $torque;

    public function __construct(private UnitFormatter $say, private Platform $platform)
    {
        $this->effects = new EffectWords($say);
        $this->power = $platform->baseline->peakPower();
        $this->torque = $platform->baseline->peakTorque();
    }

    /** @return list<string> */
    public function of(PartShare $share, StageState $state): array
    {
        $part = $share->mounted->part;
        $effects = $this->effects->of($part, $share->gain);
        if ($part->isSupporting()) {
            return ['A supporting part: it adds nothing by itself and carries what others need.', ...$effects];
        }
        if ($share->gain !== null) {
            return array_values(array_filter([
                $this->case($share->gain, $state),
                $this->fraction($share->gain),
                $this->coverage($share->gain, $state),
                $this->stacking($share->gain),
                ...$effects,
                $this->worth($share),
            ]));
        }

        return $part->gains !== []
            ? ["None of its gain cases holds with this build on {$state->fuel->name}, so it counts as nothing.", ...$effects]
            : [...$effects, $this->worth($share)];
    }

    private function case(Gain $gain, StageState $state): string
    {
        $case = $gain->case;
        $when = $case->when === null ? 'always' : "with {$case->when->asks($state->situationOf($gain->part))}";
        $said = array_filter([$case->ladder, $case->note, $case->converted]);
        $note = $said === [] ? '' : ' ('.implode('; ', $said).')';

        return $case->anchors === []
            ? sprintf(
                'Case: %s. %s to %s at peak power, %s to %s at peak torque, likely %s and %s. Evidence: %s%s.',
                $when,
                $this->say->power($case->power->low), $this->say->sayPower($case->power->high),
                $this->say->torque($case->torque->low), $this->say->sayTorque($case->torque->high),
                $this->say->power($case->power->likely), $this->say->torque($case->torque->likely),
                $case->evidence->words(), $note,
            )
            : "Case: {$when}, stated over engine speed. Evidence: {$case->evidence->words()}{$note}.";
    }

    private function fraction(Gain $gain): string
    {
        $last = count($gain->fractions) - 1;

        return sprintf(
            'Reference: %s and %s before the part, so it gives %s %% near %s and %s %% from %s.',
            $this->say->sayPower($gain->ratios[$last] * $this->power->value),
            $this->say->sayTorque($gain->ratios[0] * $this->torque->value),
            $this->say->numerals->signed(100 * $gain->fractions[0]->likely, 1), $this->say->sayRpm($gain->rpms[0]),
            $this->say->numerals->signed(100 * $gain->fractions[$last]->likely, 1), $this->say->sayRpm($gain->rpms[$last]),
        );
    }

    private function coverage(Gain $gain, StageState $state): string
    {
        $map = $state->map();

        return match (true) {
            $gain->part->map !== null => 'It is the map itself.',
            $gain->covered && $map !== null => "Covered by {$map->name}: the full gain counts.",
            default => sprintf(
                'Not covered by %s: only %d %% of the gain counts until the next map.',
                $map === null ? 'the factory map' : $map->name,
                round(100 * $gain->share),
            ),
        };
    }

    private function stacking(Gain $gain): string
    {
        if ($gain->ceiling === INF) {
            return 'A measured kit: it stacks by itself, without a family ceiling.';
        }
        $family = $this->platform->families[$gain->family] ?? null;

        $where = $gain->driveline ? ' It acts on the wheel figure alone: less is lost on the way, and nothing before the wheels carries more.' : '';

        return sprintf('Family "%s" can give %.0f %% in all; parts in it share that room.%s', $family->name ?? $gain->family, 100 * $gain->ceiling, $where);
    }

    private function worth(PartShare $share): string
    {
        $again = $share->again === null ? '' : " Bought anew it gives {$this->say->sayPower($share->again)} over keeping the old one.";

        return "Here it adds {$this->say->sayPower($share->adds)} in fitting order; without it {$this->say->sayPower($share->lost)} would be lost.{$again}";
    }
}
