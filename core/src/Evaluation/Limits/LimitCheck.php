<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Closure;
use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\LimitReadAt;
use Pebblerun\Core\Catalog\Limits\QuantityTraits;
use Pebblerun\Core\Catalog\Limits\SharedFrom;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\DrawnStage;
use Pebblerun\Core\Evaluation\Engine\CurveQuantity;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\FuelDemand;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Math\CornerDraws;
use Pebblerun\Core\Math\LinearInterpolation;
use Pebblerun\Core\Math\Peak;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Dimension;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;
use WeakMap;

/** Checks every component that stands in a stage against the stage's drawn curves. */
final class LimitCheck
{
    /** An off-the-shelf map's boost overshoots: its torque counts so much more. */
    public const OVERSHOOT = 1.05;

    /** Figures are compared with this tolerance. */
    private const EXACT = 1.0 + 1e-9;

    /** @var WeakMap<Limit, array<string, CurveQuantity>> wheel power to shares of what is allowed: stages have them in common */
    private WeakMap $shares;

    /**
     * @param  list<Loss>  $losses  limits at the crank are checked under each and the worst is taken
     * @param  list<float>  $rpms  of the curves
     * @param  float  $pulls  hard ones in the time that is asked about
     */
    public function __construct(private readonly Platform $platform, private readonly array $losses, private readonly array $rpms, private readonly float $pulls = 0.0)
    {
        $this->shares = new WeakMap;
    }

    /**
     * The share of edge is only worked out where a draw passes safe.
     *
     * @param  ?AirLimits  $air  null where nothing is known of the air
     * @param  Closure(float): list<float>  $more  power of each draw against the likely curve, about an engine speed
     */
    public function drawn(StageModel $model, DrawnStage $drawn, ?AirLimits $air, Closure $more): DrawnLimits
    {
        $draws = count($drawn->wheels->powers);
        $standings = [];
        $belowSafe = $belowEdge = array_fill(0, $draws, true);
        foreach ($model->limits as $limit) {
            [$standing, $overSafe, $overEdge] = match (true) {
                self::alongCurve($limit) => $this->alongDraws($limit, $model, self::readFrom($limit, $drawn)),
                $limit->quantity->traits()->readAt === LimitReadAt::Limiter => self::speed($limit, $model, $draws),
                ($stated = $this->statedFor($limit, $model)) !== null => self::stated($limit, $stated, $draws),
                default => $air === null ? [Standing::unknown(), [], []] : $air->of($limit, $more),
            };
            $standings[] = $limit->quantity->canBreak() && $standing->median !== null ? $standing->breaking($this->breaks($limit, $model, $drawn, $standing, $air, $more)) : $standing;
            if (! isset($model->build->accepted[$limit->key])) {
                $belowSafe = array_replace($belowSafe, $overSafe);
                $belowEdge = array_replace($belowEdge, $overEdge);
            }
        }

        return new DrawnLimits($standings, array_values($belowSafe), array_values($belowEdge));
    }

    /**
     * Between what the limits stand, from corners of the draws.
     *
     * @param  DrawnStage  $corners  a row each
     * @param  ?AirLimits  $air  null where nothing is known of the air
     * @param  Closure(float): list<array{float, float}>  $more  between what P50, P75 and P90 of the power against the likely curve are, about an engine speed
     * @return list<Margin>
     */
    public function between(StageModel $model, DrawnStage $corners, ?AirLimits $air, Closure $more): array
    {
        return array_map(fn (Limit $limit): Margin => match (true) {
            self::alongCurve($limit) => $this->betweenCorners($limit, $model, self::readFrom($limit, $corners)),
            $limit->quantity->traits()->readAt === LimitReadAt::Limiter => Margin::exactly(self::speed($limit, $model, 0)[0]),
            ($stated = $this->statedFor($limit, $model)) !== null => Margin::exactly(self::stated($limit, $stated, 0)[0]),
            default => $air === null ? Margin::exactly(Standing::unknown()) : $air->between($limit, $more),
        }, $model->limits);
    }

    private function betweenCorners(Limit $limit, StageModel $model, DrawnPeaks $corners): Margin
    {
        $safe = $this->sharesOfRows($limit, $model, $corners, false);
        $median = CornerDraws::bounds(0, $safe);
        $edge = CornerDraws::bounds(1, $this->sharesOfRows($limit, $model, $corners, true));
        $used = CornerDraws::bounds(2, $safe);

        return new Margin(new Standing($median[0], $used[0], $edge[0]), new Standing($median[1], $used[1], $edge[1]));
    }

    /**
     * The highest share of what is allowed under the worse of the losses.
     *
     * @param  bool  $edge  of the edge, or of what is safe
     * @return list<float> one a row
     */
    private function sharesOfRows(Limit $limit, StageModel $model, DrawnPeaks $drawn, bool $edge): array
    {
        $shares = array_fill(0, count($drawn->powers), 0.0);
        foreach ($this->lossesOf($limit) as $loss) {
            $here = self::isFollowed($limit, $loss) ? $drawn->peaksOf($this->shareOf($limit, $loss, $model, $edge)) : array_map(
                $this->flatShare($limit, $loss, $model, $edge), $limit->quantity->isTorque() ? $drawn->torques : $drawn->powers,
            );
            $shares = array_map(fn (float $one, float $other): float => max($one, $other), $shares, $here);
        }

        return $shares;
    }

    private static function readFrom(Limit $limit, DrawnStage $drawn): DrawnPeaks
    {
        return match ($limit->quantity->traits()->readAt) {
            LimitReadAt::Fuel => $drawn->asked, LimitReadAt::Crank => $drawn->made, default => $drawn->wheels,
        };
    }

    /** K that platform and map state for a petrol engine's exhaust; null for all other limits. */
    private function statedFor(Limit $limit, StageModel $model): ?Range
    {
        return $limit->quantity->traits()->readAt === LimitReadAt::Stated && $this->platform->engine->fuel !== FuelKind::Diesel ? $model->hardware->exhaust : null;
    }

    /**
     * Chance that it breaks: the mean over the draws.
     *
     * @param  Closure(float): list<float>  $more
     */
    private function breaks(Limit $limit, StageModel $model, DrawnStage $drawn, Standing $standing, ?AirLimits $air, Closure $more): float
    {
        if (self::alongCurve($limit)) {
            $apart = array_map(fn (array $point): float => log($point[2] / $point[1]), $limit->points);

            return Strength::of(1.0, exp(array_sum($apart) / count($apart)), $this->pulls)->breaks($this->sharesOfRows($limit, $model, self::readFrom($limit, $drawn), true));
        }
        if ($limit->quantity->traits()->readAt === LimitReadAt::Limiter) {
            return Strength::of($limit->safeAt(0.0), $limit->edgeAt(0.0), $this->pulls)->breaks([$standing->edge]);
        }
        $stated = $this->statedFor($limit, $model);
        if ($stated !== null) {
            $over = fn (float $kelvin): float => $kelvin - Ambient::STANDARD_KELVIN;
            $edge = $over($limit->edgeAt(0.0));

            return Strength::of($over($limit->safeAt(0.0)), $edge, $this->pulls)->breaks(array_map(fn (int $step): float => $over($stated->quantile(($step + 0.5) / 16.0)) / $edge, range(0, 15)));
        }

        return $air?->breaks($limit, $standing, $more, $this->pulls) ?? 0.0;
    }

    /** @return array{Standing, array<int, false>, array<int, false>} */
    private function alongDraws(Limit $limit, StageModel $model, DrawnPeaks $drawn): array
    {
        [$safe, $overSafe] = $this->shares($limit, $model, $drawn, false);
        [$edge, $overEdge] = $overSafe === [] ? [null, []] : $this->shares($limit, $model, $drawn, true);

        return [new Standing($safe[0], $safe[2], $edge[1] ?? 0.0), $overSafe, $overEdge];
    }

    /**
     * Engine speed is held by the limiter: it has no spread.
     *
     * @return array{Standing, array<int, false>, array<int, false>}
     */
    private static function speed(Limit $limit, StageModel $model, int $draws): array
    {
        $safe = $model->revLimit / $limit->safeAt(0.0);
        $edge = $model->revLimit / $limit->edgeAt(0.0);
        $all = fn (float $share): array => $share > self::EXACT ? array_fill(0, $draws, false) : [];

        return [new Standing($safe, $safe, $edge, $model->revLimit), $all($safe), $all($edge)];
    }

    /**
     * A temperature that platform and map state: of the way from the standard day's to what is safe.
     *
     * @return array{Standing, array<int, false>, array<int, false>}
     */
    private static function stated(Limit $limit, Range $kelvin, int $draws): array
    {
        $way = fn (float $u, float $most): float => ($kelvin->quantile($u) - Ambient::STANDARD_KELVIN) / ($most - Ambient::STANDARD_KELVIN);
        $standing = new Standing($way(0.5, $limit->safeAt(0.0)), $way(0.9, $limit->safeAt(0.0)), $way(0.75, $limit->edgeAt(0.0)), 0.0);
        $all = fn (bool $past): array => $past ? array_fill(0, $draws, false) : [];

        return [$standing, $all($standing->median > self::EXACT), $all($way(0.5, $limit->edgeAt(0.0)) > self::EXACT)];
    }

    /**
     * The shares of safe and edge along the likely curve, of every limit that must be followed along the draws.
     *
     * @param  non-empty-list<float>  $wheels  likely, W at the rpms
     * @param  non-empty-list<float>  $engine  likewise, what the engine makes
     * @param  non-empty-list<float>  $asked  likewise, with as much fuel as it asks
     * @return list<non-empty-list<float>>
     */
    public function followed(StageModel $model, array $wheels, array $engine, array $asked): array
    {
        $shares = [];
        foreach (array_filter($model->limits, self::alongCurve(...)) as $limit) {
            $power = match ($limit->quantity->traits()->readAt) {
                LimitReadAt::Fuel => $asked, LimitReadAt::Crank => $engine, default => $wheels,
            };
            foreach ($this->lossesOf($limit) as $loss) {
                if (self::isFollowed($limit, $loss)) {
                    $shares[] = $this->shareOf($limit, $loss, $model, false)->along($power);
                    if ($limit->quantity->isOfTheFuel()) {
                        // A component's safe and edge are shares of each other: they peak at one speed, whatever is lost on the way.
                        break;
                    }
                    $shares[] = $this->shareOf($limit, $loss, $model, true)->along($power);
                }
            }
        }

        return $shares;
    }

    /**
     * @param  list<Standing>  $standings  as drawn() gave them
     * @return list<LimitReading>
     */
    public function readings(StageModel $model, Likely $likely, array $standings, Ambient $hot): array
    {
        return array_map(fn (Limit $limit, Standing $standing): LimitReading => match (true) {
            $standing->median === null => new LimitReading($limit, Status::Unknown, null, null, 0.0, 0.0, $limit->safeAt(0.0), $limit->edgeAt(0.0), 0.0, accepted: $model->build->accepted[$limit->key] ?? null),
            self::alongCurve($limit) => $this->reading($limit, $model, $likely, $standing),
            default => $this->elsewhere($limit, $model, $standing, $hot),
        }, $model->limits, $standings);
    }

    private static function alongCurve(Limit $limit): bool
    {
        return $limit->quantity->isDrawn();
    }

    /** Of what does not follow the curve: the demand from its share of safe. */
    private function elsewhere(Limit $limit, StageModel $model, Standing $standing, Ambient $hot): LimitReading
    {
        $rpm = (float) $standing->rpm;
        $day = $standing->hot ? $hot->kelvin : Ambient::STANDARD_KELVIN;
        [$safe, $edge] = $standing->hot && $limit->hot !== null ? $limit->hot : [$limit->safeAt($rpm), $limit->edgeAt($rpm)];
        $traits = $limit->quantity->traits();
        $moved = $traits->dimension === Dimension::Pressure ? $limit->movedBy($model->build->situation->mapKind()) : 1.0;
        $octane = $traits->dimension === Dimension::Octane ? $model->knockOctane() : 0.0;
        [$safe, $edge] = [$octane + $safe * $moved, $octane + $edge * $moved];
        [$of, $edgeShare] = match ($traits->from) {
            SharedFrom::Inverse => [fn (float $share): float => $safe / max(1e-9, $share), $safe / $edge],
            SharedFrom::Safe => [fn (float $share): float => $safe + QuantityTraits::STEP * ($share - 1.0), 1.0 + ($edge - $safe) / QuantityTraits::STEP],
            SharedFrom::Day => [fn (float $share): float => $day + $share * ($safe - $day), ($edge - $day) / max(1.0, $safe - $day)],
            SharedFrom::Zero => [fn (float $share): float => $share * $safe, $edge / $safe],
        };

        return new LimitReading($limit, $standing->status(), max(0.0, (float) $standing->median), max(0.0, $standing->used), $of((float) $standing->median), $of($standing->used), $safe, $edge, $rpm, $standing->hot, $edgeShare, $model->build->accepted[$limit->key] ?? null, $standing->breaks);
    }

    /**
     * P50, P75 and P90 of the highest share of what is allowed, under the worse of the losses, and the draws that pass it.
     *
     * A flat limit's share rises with the peak alone, so the peaks' own percentiles give it; others are followed along the curves.
     *
     * @param  bool  $edge  of the edge, or of what is safe
     * @return array{array{float, float, float}, array<int, false>}
     */
    private function shares(Limit $limit, StageModel $model, DrawnPeaks $drawn, bool $edge): array
    {
        $worst = [0.0, 0.0, 0.0];
        $past = [];
        foreach ($this->lossesOf($limit) as $loss) {
            [$share, $passes] = self::isFollowed($limit, $loss) ? $this->followedShares($limit, $loss, $model, $drawn, $edge) : $this->flatShares($limit, $loss, $model, $drawn, $edge);
            $worst = [max($worst[0], $share[0]), max($worst[1], $share[1]), max($worst[2], $share[2])];
            $past += $passes;
        }

        return [$worst, $past];
    }

    /** @return array{array{float, float, float}, array<int, false>} */
    private function followedShares(Limit $limit, Loss $loss, StageModel $model, DrawnPeaks $drawn, bool $edge): array
    {
        $shares = $drawn->peaksOf($this->shareOf($limit, $loss, $model, $edge));
        $of = Percentiles::of($shares);

        return [[$of->p50, $of->p75, $of->p90], self::past($shares, self::EXACT)];
    }

    /** @return array{array{float, float, float}, array<int, false>} */
    private function flatShares(Limit $limit, Loss $loss, StageModel $model, DrawnPeaks $drawn, bool $edge): array
    {
        [$peaks, $of] = $limit->quantity->isTorque() ? [$drawn->torques, $drawn->torque] : [$drawn->powers, $drawn->power];
        $share = $this->flatShare($limit, $loss, $model, $edge);

        return [[$share($of->p50), $share($of->p75), $share($of->p90)], self::past($peaks, $loss->toWheels(self::most($limit, $edge) * $this->allowed($limit, $model) * self::EXACT))];
    }

    /** @return Closure(float): float a peak at the wheels to its share of what a flat limit allows */
    private function flatShare(Limit $limit, Loss $loss, StageModel $model, bool $edge): Closure
    {
        $allowed = self::most($limit, $edge) * $this->allowed($limit, $model);

        return fn (float $peak): float => $loss->toCrank($peak) / $allowed;
    }

    private static function most(Limit $limit, bool $edge): float
    {
        return $edge ? $limit->edgeAt(0.0) : $limit->safeAt(0.0);
    }

    /**
     * @param  list<float>  $values  one a draw
     * @return array<int, false> by draw
     */
    private static function past(array $values, float $most): array
    {
        $past = [];
        foreach ($values as $row => $value) {
            if ($value > $most) {
                $past[$row] = false;
            }
        }

        return $past;
    }

    /** What the stated values count: moved by the map, less what its boost overshoots. */
    private function allowed(Limit $limit, StageModel $model): float
    {
        $map = $model->build->situation->mapKind();
        $overshoot = $limit->quantity->isTorque() && $map === MapKind::OffTheShelf ? self::OVERSHOOT : 1.0;

        return $limit->movedBy($map) / $overshoot;
    }

    /** @return list<Loss> */
    private function lossesOf(Limit $limit): array
    {
        return $limit->quantity->isCrank() ? $this->losses : [Loss::none()];
    }

    /** Whether the share peaks elsewhere than power or torque does. */
    private static function isFollowed(Limit $limit, Loss $loss): bool
    {
        return ! $limit->isFlat() || $limit->quantity->isOfTheFuel() || ($loss->constant && ! $limit->quantity->isTorque());
    }

    /**
     * Wheel power to the share of what is allowed.
     *
     * @param  bool  $edge  of the edge, or of what is safe
     */
    private function shareOf(Limit $limit, Loss $loss, StageModel $model, bool $edge): CurveQuantity
    {
        $allowed = $this->allowed($limit, $model);
        $demand = $limit->quantity->isOfTheFuel() ? $model->demand : null;
        $feeds = $demand !== null && ($model->hardware->fuel[$limit->key] ?? null)?->supply->feeds() === true;
        $key = "{$loss->share} {$loss->constant} {$edge} {$allowed} {$demand?->name} {$feeds}";
        $known = $this->shares[$limit] ?? [];
        $known[$key] ??= $this->shareAlong($limit, $loss, $edge, $allowed, $demand, $feeds);
        $this->shares[$limit] = $known;

        return $known[$key];
    }

    /**
     * @param  float  $factor  what is allowed counts so much
     * @param  ?FuelDemand  $demand  of a limit of fuel flow
     * @param  bool  $feeds  it stands before all others of the fuel system
     */
    private function shareAlong(Limit $limit, Loss $loss, bool $edge, float $factor, ?FuelDemand $demand, bool $feeds): CurveQuantity
    {
        $torque = $limit->quantity->isTorque();
        $borne = LinearInterpolation::spread(array_column($limit->points, 0), array_column($limit->points, $edge ? 2 : 1), $this->rpms);
        $scale = $shift = [];
        foreach ($this->rpms as $place => $rpm) {
            $omega = $rpm * Rpm::OMEGA;
            $most = $borne[$place] * $factor / ($demand?->perWatt($rpm) ?? 1.0);
            $scale[] = 1.0 / ((1.0 - $loss->percentageShare()) * $most * ($torque ? $omega : 1.0));
            $shift[] = ($loss->torque * ($torque ? 1.0 : $omega) + ($demand?->besides($rpm, $feeds) ?? 0.0)) / $most;
        }

        return new CurveQuantity($scale, $shift);
    }

    private function reading(Limit $limit, StageModel $model, Likely $likely, Standing $standing): LimitReading
    {
        $power = match ($limit->quantity->traits()->readAt) {
            LimitReadAt::Fuel => $likely->asked, LimitReadAt::Crank => $likely->engine, default => $likely->wheels,
        };
        $shares = $this->shareOf($limit, $this->lossesOf($limit)[0], $model, false)->along($power);
        $rpm = $this->rpms[Peak::place($shares)];
        $moved = $limit->movedBy($model->build->situation->mapKind());
        $status = $standing->status();
        $safe = $limit->safeAt($rpm) * $moved;
        $isHeld = $status === Status::PastEdge && $limit->quantity->isOfTheFuel() && $model->holdsFuel();

        return new LimitReading($limit, $isHeld ? Status::HeldBack : $status, $standing->median, $standing->used, (float) $standing->median * $safe, $standing->used * $safe, $safe, $limit->edgeAt($rpm) * $moved, $rpm, false, $limit->edgeAt($rpm) / $limit->safeAt($rpm), $model->build->accepted[$limit->key] ?? null, $standing->breaks);
    }
}
