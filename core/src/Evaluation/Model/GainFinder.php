<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\CaseSelector;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Parts\ReferenceBuild;
use Pebblerun\Core\Catalog\Platform\Family;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;

/** Finds the gain cases that apply to a build and turns their figures into fractions of their reference. */
final class GainFinder
{
    private const REMEMBERED = 4000;

    /** Percent of ethanol that a pump's fuel is taken for; a case measured on up to twice as much is one for pump fuel. */
    private const PUMP = 5.0;

    /** A torque gain that nobody stated is doubted so much more than the power's. */
    private const WIDER = 1.5;

    /** rpm between the knots of a gain that grows with speed. */
    private const GROWING_STEP = 250.0;

    private readonly Curve $baseline;

    private readonly Peak $power;

    private readonly Peak $torque;

    private readonly float $fullFrom;

    private readonly float $plateauEnd;

    private readonly MovedPeaksCurve $moved;

    /** @var Memo<GainCase> by part, the cases that hold and the fuel */
    private Memo $cases;

    /** @var Memo<Gain> by everything that moves it */
    private Memo $gains;

    public function __construct(private readonly Platform $platform)
    {
        $this->baseline = $platform->baseline;
        $this->power = $this->baseline->peakPower();
        $this->torque = $this->baseline->peakTorque();
        $this->fullFrom = $this->baseline->fullTorqueFrom();
        $this->plateauEnd = $this->baseline->plateauEnd();
        $this->moved = new MovedPeaksCurve($this->baseline, $platform->engine->revLimit);
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
        // A map that cannot run on what is in the tank gives nothing.
        $void = $part->map !== null && FuelMatch::of($build)->isGated();
        $limit = $case->peaks === null ? $this->platform->engine->revLimit : $this->revLimit($build);
        $key = "{$name}|".($onMap[0] ?? '')."|{$ceiling}|{$covered}|{$void}|{$limit}";

        return $this->gains->get($key) ?? $this->gains->put($key, $this->make(
            $part, $case, $this->reference($case, $onMap[1] ?? null),
            $family ?? $this->kitFamily($part), $ceiling, $covered,
            $void || ! $covered && ! $part->runsUnmapped ? 0.0 : ($covered ? 1.0 : $case->unmapped),
            $limit,
            $part->map === null ? null : $this->onPump($part, $case, $build),
        ));
    }

    /** rpm at which a part that moves the peaks ends: the build's limit, which it may have raised itself. */
    private function revLimit(Build $build): float
    {
        $limits = array_filter(array_map(fn (Part $part): ?float => $part->effects->revLimit, $build->parts));

        return $limits === [] ? $this->platform->engine->revLimit : max($limits);
    }

    /** A kit that was measured as a whole is a family of its own without a ceiling; its air is that of its first place. */
    private function kitFamily(Part $kit): Family
    {
        $first = $this->platform->families[$this->platform->slots[$kit->slots[0]]->family];

        return new Family("kit:{$kit->key}", $kit->name, INF, [], false, $first->air);
    }

    /**
     * What a map gives on pump fuel, where it was written on a stronger one: what the strong fuel adds is timing for the most part.
     */
    private function onPump(Part $map, GainCase $case, Build $build): ?Gain
    {
        $fuel = $build->situationOf($map)->fuel;
        if ($case->on->ethanol === null || $fuel->ethanol->likely <= self::PUMP) {
            return null;
        }
        $pump = CaseSelector::of($map, $build->situation->on(new Fuel('pump', 'pump', $fuel->octane, Range::exact(self::PUMP), $fuel->kind)));

        return $pump === null || $pump->on->ethanol > 2.0 * self::PUMP ? null : $this->make($map, $pump, $this->reference($pump, null), $this->platform->families[$this->platform->slots[$map->slots[0]]->family], INF, true, 1.0, $this->platform->engine->revLimit, null);
    }

    private function make(Part $part, GainCase $case, ReferenceBuild $reference, Family $family, float $ceiling, bool $covered, float $share, float $revLimit, ?Gain $onPump): Gain
    {
        $torqueRatio = $reference->torque / $this->torque->value;
        $powerRatio = $reference->power / $this->power->value;
        $induction = ! $this->platform->engine->boosted && in_array('forced-induction', $part->tags, true);
        $belt = $induction && $part->effects->belt;
        [$rpms, $fractions, $ratios] = match (true) {
            $case->anchors !== [] => $this->overAnchors($case, $torqueRatio, $powerRatio),
            $case->peaks !== null => $this->withRatios($this->moved->of($case->peaks, $case->power->scaled(1.0 / $reference->power), $this->torqueShare($case, $reference), $revLimit), $torqueRatio, $powerRatio),
            $belt && $part->effects->compressor !== null && $case->growsWithSpeed() => $this->growing($case, $reference, $torqueRatio, $powerRatio),
            default => $this->betweenPeaks($case, $reference, $torqueRatio, $powerRatio),
        };
        // A turbo on a natural engine needs revs to give; what an engine turns gives from the first rpm as its kind does.
        $fades = $case->anchors === [] && $case->peaks === null && ($this->platform->engine->boosted || ($induction && ! $belt));

        return new Gain(
            $part, $case, $family->key, $ceiling, $rpms, $fractions, $ratios, $share, $covered,
            $fades && $this->fullFrom > $this->baseline->first ? $this->baseline->first : null,
            $family->driveline, $induction, $family->air, $onPump, $case->peaks === null ? INF : $this->platform->engine->revLimit,
        );
    }

    /**
     * g_P·(rpm/r_P)² below the torque peak, then as between the peaks.
     *
     * @return array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>}
     */
    private function growing(GainCase $case, ReferenceBuild $reference, float $torqueRatio, float $powerRatio): array
    {
        [$rpms, $fractions, $ratios] = $this->betweenPeaks($case, $reference, $torqueRatio, $powerRatio);
        $power = $case->power->scaled(1.0 / $reference->power);
        $below = $shares = [];
        for ($rpm = $this->baseline->first; $rpm < $this->fullFrom; $rpm += self::GROWING_STEP) {
            $below[] = $rpm;
            $shares[] = $power->scaled(($rpm / $this->power->rpm) ** 2);
        }

        return [[...$below, ...$rpms], [...$shares, ...$fractions], [...array_fill(0, count($below), $torqueRatio), ...$ratios]];
    }

    /**
     * @param  array{non-empty-list<float>, non-empty-list<Range>}  $gain  rpm and fractions
     * @return array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>}
     */
    private function withRatios(array $gain, float $torqueRatio, float $powerRatio): array
    {
        return [$gain[0], $gain[1], array_map(fn (float $rpm): float => $torqueRatio + ($powerRatio - $torqueRatio) * $this->beyondPlateau($rpm), $gain[0])];
    }

    /** 0 up to the end of the plateau, 1 from the power peak on. */
    private function beyondPlateau(float $rpm): float
    {
        return min(1.0, max(0.0, ($rpm - $this->plateauEnd) / max(Curve::STEP, $this->power->rpm - $this->plateauEnd)));
    }

    /** Gain at peak torque; where none was stated, the share at peak power with a range half as wide again. */
    private function torqueShare(GainCase $case, ReferenceBuild $reference): Range
    {
        if (! $case->torqueFollows) {
            return $case->torque->scaled(1.0 / $reference->torque);
        }

        return $case->power->scaled(1.0 / $reference->power)->widened(self::WIDER);
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
        $torque = $this->torqueShare($case, $reference);
        $power = $case->power->scaled(1.0 / $reference->power);
        $peak = max($this->plateauEnd + Curve::STEP, $this->power->rpm);

        return $this->plateauEnd > $this->fullFrom
            ? [[$this->fullFrom, $this->plateauEnd, $peak], [$torque, $torque, $power], [$torqueRatio, $torqueRatio, $powerRatio]]
            : [[$this->fullFrom, $peak], [$torque, $power], [$torqueRatio, $powerRatio]];
    }

    /** @return array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>} */
    private function overAnchors(GainCase $case, float $torqueRatio, float $powerRatio): array
    {
        $rpms = $fractions = $ratios = [];
        foreach ($case->anchors as $anchor) {
            $ratio = $torqueRatio + ($powerRatio - $torqueRatio) * $this->beyondPlateau($anchor->rpm);
            $reference = $this->baseline->torqueAt($anchor->rpm) * $anchor->rpm * Rpm::OMEGA * $ratio;
            $rpms[] = $anchor->rpm;
            $fractions[] = $anchor->power->scaled(1.0 / $reference);
            $ratios[] = $ratio;
        }

        /** @var array{non-empty-list<float>, non-empty-list<Range>, non-empty-list<float>} */
        return [$rpms, $fractions, $ratios];
    }
}
