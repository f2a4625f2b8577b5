<?php

namespace Pebblerun\Core\Build;

use Pebblerun\Core\Brief\Brief;
use Pebblerun\Core\Condition\Catalog;
use Pebblerun\Core\Curve\Curve;
use Pebblerun\Core\Draws\Draws;
use Pebblerun\Core\Draws\LatinDraws;
use Pebblerun\Core\Draws\Percentiles;
use Pebblerun\Core\Limits\LimitCheck;
use Pebblerun\Core\Parts\Part;
use Pebblerun\Core\Plan\Change;
use Pebblerun\Core\Plan\Plan;
use Pebblerun\Core\Plan\Stacking;
use Pebblerun\Core\Plan\Stage;
use Pebblerun\Core\Platform\Ceiling;
use Pebblerun\Core\Platform\Loss;
use Pebblerun\Core\Units\Rpm;

/** Estimates every stage of a plan: likely curves, draws, shares of the parts, ceilings and limits. */
final class Estimator
{
    private const MEASURED = 0.015;

    private const SKETCHED = 0.04;

    private const MODEL = 0.025;

    /** A ceiling binds when it costs more than this share. */
    private const BINDS = 0.005;

    /** The draws' grid takes every 14th speed, and these beside the stock car's power peak (rpm). */
    private const COARSE = 14;

    private const BESIDE_PEAK = [-350.0, -150.0, 0.0, 150.0, 350.0];

    private readonly Loss $loss;

    /** @var list<Loss> */
    private readonly array $losses;

    private readonly GainFinder $finder;

    private readonly Curve $start;

    /** @var non-empty-list<float> */
    private array $rpms;

    /** Where the longest stage's curve ends, rpm: the grids follow it. */
    private float $longestEnd = 0.0;

    private Engine $engine;

    /** Likewise, for the plain sum. */
    private Engine $plain;

    /** @var list<float> W, likely, as it came */
    private array $startPower;

    /**
     * @param  array<string, list<mixed>>  $known  figures of stages estimated before, by key; see figures()
     * @param  string  $fingerprint  of catalog and brief, so that figures are given back to the same ones only
     */
    public function __construct(
        private readonly Catalog $catalog,
        private readonly Brief $brief,
        private readonly Plan $plan,
        private readonly Draws $draws = new LatinDraws,
        private array $known = [],
        private readonly string $fingerprint = '',
    ) {
        $platform = $catalog->platform;
        $share = Loss::defaultShare($brief->car->drive, $brief->car->gearbox);
        $peak = $platform->baseline->peakPower();
        $constant = Loss::constant($share, $peak->value / ($peak->rpm * Rpm::OMEGA));
        $this->losses = [Loss::percentage($share), $constant];
        $this->loss = $plan->constantLoss ? $constant : $this->losses[0];
        $this->finder = new GainFinder($platform);
        $this->start = $brief->came->measured ?? $platform->baseline;
    }

    /** @return non-empty-list<StageResult> as it came, then one for each stage */
    public function estimate(): array
    {
        $models = $this->models();
        $this->prepare($models);
        $sample = $this->sample($models);
        $results = $figures = [];
        foreach ($models as $i => $model) {
            $likely = $this->likely($model);
            $key = $this->keyOf($i);
            $stage = isset($this->known[$key]) ? StageFigures::known($this->known[$key]) : $this->figuresOf($model, $likely, $sample);
            $figures[$key] = $stage->toArray();
            $results[] = $this->result($model, $likely, $sample, $stage);
        }
        $this->known = $figures;

        return $results;
    }

    /**
     * The costly figures of the stages estimated last, to be given back when the plan changes.
     *
     * @return array<string, list<mixed>>
     */
    public function figures(): array
    {
        return $this->known;
    }

    /** Names everything that a stage's figures depend on: the plan up to it, by its fits and fuels. */
    private function keyOf(int $stage): string
    {
        $steps = array_map(
            fn (Stage $step): array => [$step->fuel, array_map(fn (Change $change): array => [$change->part, $change->slot], $step->changes)],
            array_slice($this->plan->stages, 0, $stage),
        );

        return hash('xxh128', serialize([$this->fingerprint, $this->plan->stacking, $this->plan->constantLoss, $this->longestEnd, $steps]));
    }

    /**
     * Likely peak wheel power and torque of every stage, without draws: what candidates are compared by.
     *
     * @return list<array{float, float}> W and N·m
     */
    public function likelyPeaks(): array
    {
        $models = $this->models();
        $this->prepare($models);

        return array_map(fn (StageModel $model): array => $this->peaks($this->likely($model)), $models);
    }

    /** @return non-empty-list<StageModel> */
    private function models(): array
    {
        return array_map(
            fn (State $state): StageModel => StageModel::of($state, $this->catalog->platform, $this->finder),
            Timeline::of($this->plan, $this->brief->came, $this->catalog, $this->brief->car),
        );
    }

    /** @param  non-empty-list<StageModel>  $models */
    private function prepare(array $models): void
    {
        $end = $this->longestEnd = max(array_map(fn (StageModel $model): float => $this->endOf($model), $models));
        $this->rpms = $this->start->endingAt($end)->rpms();
        $this->engine = $this->engineOn(array_keys($this->rpms), null);
        $this->engine->cameAs($models[0], $this->plan->stacking);
        $this->plain = $this->engineOn(array_keys($this->rpms), null);
        $this->plain->cameAs($models[0], Stacking::Sum);
        $this->startPower = $this->engine->power($models[0], $this->plan->stacking, [1.0], count($this->rpms));
    }

    /** @param  list<int>  $places  of the full grid */
    private function engineOn(array $places, ?Draws $draws): Engine
    {
        $base = $this->start->endingAt($this->rpms[count($this->rpms) - 1])->power();
        $pick = fn (array $list): array => array_map(fn (int $place): float => $list[$place], $places);

        return new Engine($pick($this->rpms), $pick($base), $this->brief->came->measured !== null, $this->catalog->platform->baseline, $this->loss, $draws);
    }

    /** The speed at which a stage's curve ends: the car's own last one, unless its rev limit was moved. */
    private function endOf(StageModel $model): float
    {
        $moved = $model->revLimit - $this->catalog->platform->revLimit;

        return match (true) {
            $moved > 0.0 => max($model->revLimit, $this->start->last()),
            $moved < 0.0 => min($model->revLimit, $this->start->last()),
            default => $this->start->last(),
        };
    }

    /** @return non-empty-list<float> likely wheel power in W up to the stage's end */
    private function likely(StageModel $model): array
    {
        /** @var non-empty-list<float> */
        return $this->engine->power($model, $this->plan->stacking, [1.0], $this->countTo($this->endOf($model), $this->rpms));
    }

    /**
     * The draws: an engine on a coarser grid, its rpms, and by how much each draw scales the whole curve (1 + σ·z), as it
     * came and changed.
     *
     * @param  non-empty-list<StageModel>  $models
     */
    private function sample(array $models): Sample
    {
        $places = $this->coarse($models);
        $engine = $this->engineOn($places, $this->draws);
        $engine->cameAs($models[0], $this->plan->stacking);
        $own = $this->start->sketched ? self::SKETCHED : self::MEASURED;
        $scales = fn (float $sigma): array => array_map(fn (float $z): float => 1.0 + $sigma * $z, $this->draws->curve());
        $rpms = array_map(fn (int $place): float => $this->rpms[$place], $places);

        return new Sample($engine, $rpms, $scales($own), $scales(sqrt($own ** 2 + self::MODEL ** 2)));
    }

    /**
     * Places on the full grid that serve the draws: some all along, more where torque and power peak on the stock car,
     * the target's and each stage's end. They do not depend on what is fitted, so a stage's figures do not depend on the
     * other stages.
     *
     * @param  non-empty-list<StageModel>  $models
     * @return list<int>
     */
    private function coarse(array $models): array
    {
        $ends = array_map(fn (StageModel $model): float => $this->endOf($model), $models);
        $baseline = $this->catalog->platform->baseline;
        $top = $baseline->peakPower()->rpm;
        $rpms = [$baseline->torqueKnee(), $baseline->torqueShoulder(), ...array_map(fn (float $beside): float => $top + $beside, self::BESIDE_PEAK), ...$ends, ...array_filter([$this->brief->target?->atRpm])];
        $places = array_unique([...range(0, count($this->rpms) - 1, self::COARSE), ...array_map($this->placeOf(...), $rpms)]);
        sort($places);

        return $places;
    }

    private function placeOf(float $rpm): int
    {
        return (int) min(count($this->rpms) - 1, max(0.0, round(($rpm - $this->rpms[0]) / Curve::STEP)));
    }

    /** @param  list<float>  $rpms */
    private function countTo(float $end, array $rpms): int
    {
        return max(1, count(array_filter($rpms, fn (float $rpm): bool => $rpm <= $end + 1e-6)));
    }

    /** @param  non-empty-list<float>  $likely  W */
    private function figuresOf(StageModel $model, array $likely, Sample $sample): StageFigures
    {
        $changed = $model->state->index > 0;
        $rpms = $this->rpmsOf($model, $sample);
        $drawn = $sample->engine->power($model, $this->plan->stacking, $changed ? $sample->changed : $sample->came, count($rpms));
        $target = $this->brief->target;
        $power = Percentiles::of(Track::power($rpms)->peaks($drawn), $target?->power);
        $torque = Percentiles::of(Track::torque($rpms)->peaks($drawn));
        $place = $this->targetPlace($rpms);

        return new StageFigures(
            $power,
            $torque,
            $place === null ? null : Percentiles::of(self::torqueAt($place, $rpms, $drawn), $target?->torque),
            $changed ? $this->plainSum($model) : max($likely),
            $this->limitCheck($rpms)->used($model, $power, $torque, $drawn),
            $changed ? $this->shares($model, max($likely)) : [],
            $changed ? $this->ceilingCosts($model, $likely) : [],
        );
    }

    /** @return list<float> the draws' rpms within a stage's engine speeds */
    private function rpmsOf(StageModel $model, Sample $sample): array
    {
        return array_slice($sample->rpms, 0, $this->countTo($this->endOf($model), $sample->rpms));
    }

    /** @param  list<float>  $rpms */
    private function limitCheck(array $rpms): LimitCheck
    {
        return new LimitCheck($this->catalog->platform->limits, $this->losses, $rpms);
    }

    /** @param  non-empty-list<float>  $power  likely, W */
    private function result(StageModel $model, array $power, Sample $sample, StageFigures $figures): StageResult
    {
        $rpms = $this->rpmsOf($model, $sample);
        $likely = array_map(fn (float $rpm): float => $power[$this->placeOf($rpm)], $rpms);

        return new StageResult(
            $model,
            Curve::onGrid($this->rpms[0], $this->torqueOf($power), $this->start->sketched),
            $figures->power,
            $figures->torque,
            $figures->atTarget,
            $figures->plainSum,
            $this->sharesOf($model, $figures),
            $this->bindingsOf($model, $power, $figures),
            $this->limitCheck($rpms)->readings($model, $likely, $figures->used),
            $this->usedGain($power),
        );
    }

    /** @return list<Share> */
    private function sharesOf(StageModel $model, StageFigures $figures): array
    {
        $gains = [];
        foreach ($model->gains as $gain) {
            $gains[$gain->part->key] = $gain;
        }

        return $figures->shares === [] ? [] : array_map(
            fn (Mounted $mounted, array $share): Share => new Share($mounted, $gains[$mounted->part->key] ?? null, ...$share),
            $model->state->parts(),
            $figures->shares,
        );
    }

    /**
     * @param  non-empty-list<float>  $power  likely, W
     * @return list<Binding>
     */
    private function bindingsOf(StageModel $model, array $power, StageFigures $figures): array
    {
        [$peak, $torque] = $this->peaks($power);
        $bindings = [];
        foreach ($figures->costs as $i => [$watts, $newtonMetres]) {
            if ($watts > self::BINDS * $peak || $newtonMetres > self::BINDS * $torque) {
                $bindings[] = new Binding($model->ceilings[$i], $watts, $newtonMetres);
            }
        }

        return $bindings;
    }

    /**
     * @param  non-empty-list<float>  $power  W on the full grid
     * @return non-empty-list<float> N·m
     */
    private function torqueOf(array $power): array
    {
        return array_map(fn (float $watts, int $i): float => $watts / ($this->rpms[$i] * Rpm::OMEGA), $power, array_keys($power));
    }

    /**
     * @param  list<float>  $rpms  of the draws
     * @param  list<float>  $drawn  flat, W
     * @return list<float> N·m
     */
    private static function torqueAt(int $place, array $rpms, array $drawn): array
    {
        $torque = [];
        for ($at = $place, $end = count($drawn); $at < $end; $at += count($rpms)) {
            $torque[] = $drawn[$at] / ($rpms[$place] * Rpm::OMEGA);
        }

        return $torque;
    }

    /** @param  list<float>  $rpms  of the draws */
    private function targetPlace(array $rpms): ?int
    {
        $target = $this->brief->target?->atRpm;
        $place = $target === null ? false : array_search($this->rpms[$this->placeOf($target)], $rpms, true);

        return $place === false ? null : $place;
    }

    /** Likely peak in W when the quoted figures of the parts are simply added up. */
    private function plainSum(StageModel $model): float
    {
        return max(0.0, ...$this->plain->power($model, Stacking::Sum, [1.0], $this->countTo($this->endOf($model), $this->rpms)));
    }

    /** @return list<array{float, float, float, ?float}> adds W, adds N·m, lost W, bought again W, for each part */
    private function shares(StageModel $model, float $peak): array
    {
        $keys = array_map(fn (Mounted $mounted): string => $mounted->part->key, $model->state->parts());
        $before = $this->peaks($this->likely($model->onlyParts([])));
        $shares = $fitted = [];
        foreach ($model->state->parts() as $mounted) {
            $key = $mounted->part->key;
            $fitted[] = $key;
            $with = $this->peaks($this->likely($model->onlyParts($fitted)));
            $without = $this->peaks($this->likely($model->onlyParts(array_values(array_diff($keys, [$key])))));
            $again = $this->isBoughtAgain($mounted, $model->state) ? $peak - $this->peakWithoutBuying($mounted->part, $model->state->index) : null;
            $shares[] = [$with[0] - $before[0], $with[1] - $before[1], $peak - $without[0], $again];
            $before = $with;
        }

        return $shares;
    }

    private function isBoughtAgain(Mounted $mounted, State $state): bool
    {
        return $mounted->since < $state->index
            && array_filter($state->bought, fn (array $pair): bool => $pair[0] === $mounted->part) !== [];
    }

    /** Likely peak in W of a stage that does not buy this part anew: an old map stays old. */
    private function peakWithoutBuying(Part $part, int $index): float
    {
        $plan = $this->plan->upTo($index)->withLastChanges(fn (Change $change): bool => $change->part !== $part->key);
        $states = Timeline::of($plan, $this->brief->came, $this->catalog, $this->brief->car);

        return max($this->likely(StageModel::of($states[$index], $this->catalog->platform, $this->finder)));
    }

    /**
     * @param  non-empty-list<float>  $power  likely, W
     * @return list<array{float, float}> W and N·m that each standing ceiling takes off the peaks
     */
    private function ceilingCosts(StageModel $model, array $power): array
    {
        [$peak, $torque] = $this->peaks($power);

        return array_map(function (Ceiling $ceiling) use ($model, $peak, $torque): array {
            [$freePeak, $freeTorque] = $this->peaks($this->likely($model->withoutCeiling($ceiling)));

            return [$freePeak - $peak, $freeTorque - $torque];
        }, $model->ceilings);
    }

    /**
     * @param  non-empty-list<float>  $power  W on the full grid
     * @return array{float, float} highest W and N·m
     */
    private function peaks(array $power): array
    {
        return [max($power), max($this->torqueOf($power))];
    }

    /** @param  non-empty-list<float>  $power */
    private function usedGain(array $power): float
    {
        [$from, $to] = $this->brief->range;
        $now = $before = 0.0;
        foreach ($power as $i => $watts) {
            if ($this->rpms[$i] >= $from && $this->rpms[$i] <= $to) {
                $now += $watts / $this->rpms[$i];
                $before += $this->startPower[$i] / $this->rpms[$i];
            }
        }

        return $before > 0.0 ? $now / $before - 1.0 : 0.0;
    }
}
