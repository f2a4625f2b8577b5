<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Parts\LadderReading;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\PartShare;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;

/** Explains a part's share of a stage: case, reference, fraction, coverage, stacking. */
final readonly class GainWords
{
    private EffectWords $effects;

    private ConditionWords $conditions;

    private Platform $platform;

    private Peak $power;

    private Peak $torque;

    public function __construct(private UnitFormatter $say, Catalog $catalog)
    {
        $this->platform = $platform = $catalog->platform;
        $this->conditions = new ConditionWords($catalog);
        $this->effects = new EffectWords($say);
        $this->power = $platform->baseline->peakPower();
        $this->torque = $platform->baseline->peakTorque();
    }

    /**
     * @param  string  $adds  to its stage, as it is written: "+14"; empty for what was there before
     * @return list<string>
     */
    public function of(PartShare $share, Build $build, string $adds): array
    {
        $part = $share->part;
        $effects = $this->effects->of($part, $share->gain);
        if ($part->isSupporting()) {
            return [$part->effects->movesRoad() ? 'It adds no power: it counts on the road, where a time is asked.' : 'A supporting part: it adds nothing by itself and carries what others need.', ...$effects];
        }
        if ($share->gain !== null) {
            return array_values(array_filter([
                $this->case($share->gain, $build),
                $this->fraction($share->gain),
                $this->coverage($share->gain, $build),
                $this->stacking($share->gain),
                ...$effects,
                $this->worth($share, $adds),
            ]));
        }

        return $part->gains !== []
            ? ["None of its gains holds on this set-up, on {$build->fuel->name}, so it counts as nothing.", ...$effects]
            : [...$effects, $this->worth($share, $adds)];
    }

    private function case(Gain $gain, Build $build): string
    {
        $case = $gain->case;
        $when = $case->when === null ? 'always' : "with {$this->conditions->of($case->when, $build->situationOf($gain->part))}";
        $said = array_filter([$case->ladder === null ? '' : self::ladder($case->ladder), $case->source->note, $case->source->frame === null ? '' : FrameWords::of($case->source->frame)]);
        $note = $said === [] ? '' : ' ('.implode('; ', $said).')';

        return $case->anchors === []
            ? sprintf(
                'On this set-up: %s. %s to %s at peak power, %s to %s at peak torque, likely %s and %s. Evidence: %s%s.',
                $when,
                $this->say->writePower($case->power->low), $this->say->sayPower($case->power->high),
                $this->say->writeTorque($case->torque->low), $this->say->sayTorque($case->torque->high),
                $this->say->sayPower($case->power->likely), $this->say->sayTorque($case->torque->likely),
                Terms::evidence($case->source->evidence), $note,
            )
            : "On this set-up: {$when}, stated over engine speed. Evidence: ".Terms::evidence($case->source->evidence)."{$note}.";
    }

    private static function ladder(LadderReading $reading): string
    {
        return sprintf(
            'measured at %s ethanol, read at %d %% (%d–%d)%s',
            implode(', ', array_map(fn (float $content): string => round($content).' %', $reading->contents)),
            round($reading->at->likely), round($reading->at->low), round($reading->at->high),
            $reading->follows ? ', followed by the sensor' : '',
        );
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

    private function coverage(Gain $gain, Build $build): string
    {
        $map = $build->map();

        return match (true) {
            $gain->part->map !== null => 'It is the map itself.',
            $gain->covered && $map !== null => "Covered by {$map->name}: the full gain counts.",
            $gain->share >= 1.0 => 'No map needs to cover it: the full gain counts.',
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

    private function worth(PartShare $share, string $adds): string
    {
        $here = $adds === '' ? '' : "In this stage it is worth {$adds} {$this->say->powerLabel()}. ";
        $keeps = $share->keeps === null ? '' : " With the old one {$this->say->sayPower($share->keeps)} more would be lost.";

        return "{$here}Without it {$this->say->sayPower($share->lost)} would be lost.{$keeps}";
    }
}
