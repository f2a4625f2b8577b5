<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\EthanolLadder;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Timeline\FittedPart;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;

/** Finds the gain cases that apply in a state and turns their figures into fractions of their reference. */
final class GainFinder
{
    private readonly Curve $baseline;

    private readonly Peak $power;

    private readonly Peak $torque;

    private readonly float $kneeRpm;

    public function __construct(private readonly Platform $platform)
    {
        $this->baseline = $platform->baseline;
        $this->power = $this->baseline->peakPower();
        $this->torque = $this->baseline->peakTorque();
        $this->kneeRpm = $this->baseline->torqueKnee();
    }

    /**
     * @return list<Gain> the map first, then in gas-path order; parts without a case that holds are absent
     *
     * @throws AmbiguousCase when two cases of one part apply equally.
     */
    public function of(StageState $state): array
    {
        $gains = [];
        foreach ($state->parts() as $mounted) {
            $case = self::caseFor($mounted->part, $state);
            if ($case !== null) {
                $gains[] = $this->gain($mounted, $case, $state);
            }
        }

        return $gains;
    }

    /**
     * The most specific case that holds, or null. Cases at several ethanol contents answer together, as far as they reach.
     *
     * @throws AmbiguousCase
     */
    public static function caseFor(Part $part, StageState $state): ?GainCase
    {
        $situation = $state->situationOf($part);
        $holding = array_filter($part->gains, fn (GainCase $case): bool => $case->when?->holds($situation) ?? true);
        while ($holding !== []) {
            $most = max(array_map(fn (GainCase $case): int => $case->terms(), $holding));
            $best = array_values(array_filter($holding, fn (GainCase $case): bool => $case->terms() === $most));
            $ladder = EthanolLadder::of($best);
            if ($ladder === null) {
                return count($best) === 1 ? $best[0] : throw AmbiguousCase::of($part, $situation);
            }
            $case = $ladder->at($situation->fuel->ethanol, $part->map !== null && $part->map->flex);
            if ($case !== null) {
                return $case;
            }
            $holding = array_filter($holding, fn (GainCase $case): bool => $case->terms() < $most);
        }

        return null;
    }

    private function gain(FittedPart $mounted, GainCase $case, StageState $state): Gain
    {
        $part = $mounted->part;
        $covered = $state->covers($mounted);
        [$family, $ceiling, $driveline] = $this->family($part, $state);
        $reference = $this->reference($part, $case, $state);
        $torqueRatio = $reference->torque / $this->torque->value;
        $powerRatio = $reference->power / $this->power->value;
        [$rpms, $fractions, $ratios] = $case->anchors === []
            ? $this->betweenPeaks($case, $reference, $torqueRatio, $powerRatio)
            : $this->overAnchors($case, $torqueRatio, $powerRatio);

        return new Gain(
            $part, $case, $family, $ceiling, $rpms, $fractions, $ratios,
            $covered ? 1.0 : ($part->runsUnmapped ? $case->unmapped : 0.0),
            $covered,
            $case->anchors === [] && $this->platform->boosted && $this->kneeRpm > $this->baseline->first ? $this->baseline->first : null,
            $driveline,
        );
    }

    /** @return array{string, float, bool} key, ceiling, whether it is of the driveline */
    private function family(Part $part, StageState $state): array
    {
        if ($part->isKit()) {
            return ["kit:{$part->key}", INF, false];
        }
        $family = $this->platform->families[$this->platform->slots[$part->slots[0]]->family];

        return [$family->key, $family->ceilingIn($state->situation), $family->driveline];
    }

    /** What the case was measured on; without a stated one, the baseline with the map that the case wants. */
    private function reference(Part $part, GainCase $case, StageState $state): ReferenceBuild
    {
        $map = $state->map();
        if ($case->reference !== null) {
            return $case->reference;
        }
        $mapCase = $map !== null && $map !== $part && $case->wantsMap() ? self::caseFor($map, $state) : null;

        return new ReferenceBuild(
            $this->power->value + ($mapCase->power->likely ?? 0.0),
            $this->torque->value + ($mapCase->torque->likely ?? 0.0),
        );
    }

    /** @return array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>} */
    private function betweenPeaks(GainCase $case, ReferenceBuild $reference, float $torqueRatio, float $powerRatio): array
    {
        return [
            [$this->kneeRpm, max($this->kneeRpm + Curve::STEP, $this->power->rpm)],
            [$case->torque->scaled(1.0 / $reference->torque), $case->power->scaled(1.0 / $reference->power)],
            [$torqueRatio, $powerRatio],
        ];
    }

    /** @return array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>} */
    private function overAnchors(GainCase $case, float $torqueRatio, float $powerRatio): array
    {
        $rpms = $fractions = $ratios = [];
        foreach ($case->anchors as $anchor) {
            $span = max(Curve::STEP, $this->power->rpm - $this->kneeRpm);
            $along = min(1.0, max(0.0, ($anchor->rpm - $this->kneeRpm) / $span));
            $ratio = $torqueRatio + ($powerRatio - $torqueRatio) * $along;
            $reference = $this->baseline->torqueAt($anchor->rpm) * $anchor->rpm * Rpm::OMEGA * $ratio;
            $rpms[] = $anchor->rpm;
            $fractions[] = $anchor->power->scaled(1.0 / $reference);
            $ratios[] = $ratio;
        }

        /** @var array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>} */
        return [$rpms, $fractions, $ratios];
    }
}
