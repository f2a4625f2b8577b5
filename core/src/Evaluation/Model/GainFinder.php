<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\CaseSelector;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;

/** Finds the gain cases that apply to a build and turns their figures into fractions of their reference. */
final class GainFinder
{
    private const REMEMBERED = 4000;

    private readonly Curve $baseline;

    private readonly Peak $power;

    private readonly Peak $torque;

    private readonly float $kneeRpm;

    private readonly float $plateauEnd;

    /** @var Memo<GainCase> by part, the cases that hold and the fuel */
    private Memo $cases;

    /** @var Memo<Gain> by everything that moves it */
    private Memo $gains;

    public function __construct(private readonly Platform $platform)
    {
        $this->baseline = $platform->baseline;
        $this->power = $this->baseline->peakPower();
        $this->torque = $this->baseline->peakTorque();
        $this->kneeRpm = $this->baseline->torqueKnee();
        $this->plateauEnd = $this->baseline->plateauEnd();
        $this->cases = new Memo(self::REMEMBERED);
        $this->gains = new Memo(self::REMEMBERED);
    }

    /**
     * @return list<Gain> the map first, then in gas-path order; parts without a case that holds are absent
     *
     * @throws AmbiguousCase when two cases of one part apply equally.
     */
    public function of(Build $build): array
    {
        $gains = $ceilings = [];
        $mapCase = null;
        foreach ($build->parts as $part) {
            if ($part->gains === []) {
                continue;
            }
            $situation = $build->situationOf($part);
            $holding = CaseSelector::holding($part, $situation);
            if ($holding === []) {
                continue;
            }
            $name = "{$part->key}/".implode(',', $holding)."/{$situation->fuel->key}";
            $case = $this->cases->get($name) ?? CaseSelector::best($part, $holding, $situation);
            if ($case === null) {
                continue;
            }
            $this->cases->put($name, $case);
            // Parts stand with the map first, so that the others can be measured on what it gives.
            $mapCase = $part->map === null ? $mapCase : [$name, $case];
            $gains[] = $this->gain($part, $case, $name, $mapCase, $build, $ceilings);
        }

        return $gains;
    }

    /**
     * @param  ?array{string, GainCase}  $mapCase  of the map in the car
     * @param  array<string, float>  $ceilings  of the families in this build, as far as they were asked for
     */
    private function gain(Part $part, GainCase $case, string $name, ?array $mapCase, Build $build, array &$ceilings): Gain
    {
        $onMap = $case->reference === null && $mapCase !== null && $mapCase[1] !== $case && $case->wantsMap() ? $mapCase : null;
        $covered = $build->covers($part);
        $family = $part->isKit() ? null : $this->platform->families[$this->platform->slots[$part->slots[0]]->family];
        $ceiling = $family === null ? INF : ($ceilings[$family->key] ??= $family->ceilingIn($build->situation));
        $key = "{$name}|".($onMap[0] ?? '')."|{$ceiling}|{$covered}";

        return $this->gains->get($key) ?? $this->gains->put($key, $this->make(
            $part, $case, $this->reference($case, $onMap[1] ?? null),
            $family === null ? "kit:{$part->key}" : $family->key, $ceiling, $family->driveline ?? false, $covered,
        ));
    }

    private function make(Part $part, GainCase $case, ReferenceBuild $reference, string $family, float $ceiling, bool $driveline, bool $covered): Gain
    {
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
            ! $this->platform->boosted && in_array('forced-induction', $part->tags, true),
        );
    }

    /** What the case was measured on; without a stated one, the baseline with the map that the case wants. */
    private function reference(GainCase $case, ?GainCase $mapCase): ReferenceBuild
    {
        return $case->reference ?? new ReferenceBuild(
            $this->power->value + ($mapCase->power->likely ?? 0.0),
            $this->torque->value + ($mapCase->torque->likely ?? 0.0),
        );
    }

    /**
     * What it gives at peak torque all along the plateau, then straight to what it gives at the power peak.
     *
     * @return array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>}
     */
    private function betweenPeaks(GainCase $case, ReferenceBuild $reference, float $torqueRatio, float $powerRatio): array
    {
        $torque = $case->torque->scaled(1.0 / $reference->torque);
        $power = $case->power->scaled(1.0 / $reference->power);
        $peak = max($this->plateauEnd + Curve::STEP, $this->power->rpm);

        return $this->plateauEnd > $this->kneeRpm
            ? [[$this->kneeRpm, $this->plateauEnd, $peak], [$torque, $torque, $power], [$torqueRatio, $torqueRatio, $powerRatio]]
            : [[$this->kneeRpm, $peak], [$torque, $power], [$torqueRatio, $powerRatio]];
    }

    /** @return array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>} */
    private function overAnchors(GainCase $case, float $torqueRatio, float $powerRatio): array
    {
        $rpms = $fractions = $ratios = [];
        foreach ($case->anchors as $anchor) {
            $span = max(Curve::STEP, $this->power->rpm - $this->plateauEnd);
            $along = min(1.0, max(0.0, ($anchor->rpm - $this->plateauEnd) / $span));
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
