<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Boost;
use Pebblerun\Core\Catalog\Parts\MapKind;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Engine\CurveQuantity;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\Consumption;
use Pebblerun\Core\Units\Rpm;
use WeakMap;

/** Checks every component that stands in a stage against the stage's drawn curves. */
final class LimitCheck
{
    /** An off-the-shelf map's boost overshoots: its torque counts so much more. */
    public const OVERSHOOT = 1.05;

    /** Figures are compared with this tolerance. */
    private const EXACT = 1.0 + 1e-9;

    private const WARMER = 3.0;

    private const CLEAR_KELVIN = 10.0;

    /** @var WeakMap<Limit, array<string, CurveQuantity>> wheel power to shares of what is allowed: stages have them in common */
    private WeakMap $shares;

    /**
     * @param  list<Loss>  $losses  limits at the crank are checked under each and the worst is taken
     * @param  list<float>  $rpms  of the curves
     */
    public function __construct(private readonly Platform $platform, private readonly array $losses, private readonly array $rpms)
    {
        $this->shares = new WeakMap;
    }

    /**
     * The share of edge is only worked out where a draw passes safe.
     *
     * @param  DrawnPeaks  $wheels  at the wheels
     * @param  DrawnPeaks  $engine  what the engine makes, as the stock driveline brings it to the wheels
     */
    public function drawn(StageModel $model, DrawnPeaks $wheels, DrawnPeaks $engine): DrawnLimits
    {
        $used = [];
        $belowSafe = $belowEdge = array_fill(0, count($wheels->powers), true);
        foreach ($model->limits as $limit) {
            if (! self::alongCurve($limit)) {
                $used[] = $limit->quantity === Quantity::Boost && $model->boost !== null ? self::boostUsed($limit, $model->boost, $model) : [0.0, 0.0, 0.0];

                continue;
            }
            $drawn = $limit->quantity->isCrank() ? $engine : $wheels;
            [$safe, $overSafe] = $this->shares($limit, $model, $drawn, false);
            [$edge, $overEdge] = $overSafe === [] ? [null, []] : $this->shares($limit, $model, $drawn, true);
            $used[] = [$safe[0], $safe[2], $edge[1] ?? 0.0];
            $belowSafe = array_replace($belowSafe, $overSafe);
            $belowEdge = array_replace($belowEdge, $overEdge);
        }

        return new DrawnLimits($used, array_values($belowSafe), array_values($belowEdge));
    }

    /** @return array{float, float, float} */
    private static function boostUsed(Limit $limit, Boost $boost, StageModel $model): array
    {
        $moved = $limit->movedBy($model->build->situation->mapKind());
        $of = fn (float $u, float $allowed): float => $boost->quantile($u) / ($allowed * $moved);

        return [$of(0.5, $limit->safeAt(0.0)), $of(0.9, $limit->safeAt(0.0)), $of(0.75, $limit->edgeAt(0.0))];
    }

    /**
     * The shares of safe and edge along the likely curve, of every limit that must be followed along the draws.
     *
     * @param  non-empty-list<float>  $wheels  likely, W at the rpms
     * @param  non-empty-list<float>  $engine  likewise, what the engine makes
     * @return list<non-empty-list<float>>
     */
    public function followed(StageModel $model, array $wheels, array $engine): array
    {
        $shares = [];
        foreach (array_filter($model->limits, self::alongCurve(...)) as $limit) {
            $power = $limit->quantity->isCrank() ? $engine : $wheels;
            foreach ($this->lossesOf($limit) as $loss) {
                if (self::isFollowed($limit, $loss)) {
                    $shares[] = $this->shareOf($limit, $loss, $model, false)->along($power);
                    $shares[] = $this->shareOf($limit, $loss, $model, true)->along($power);
                }
            }
        }

        return $shares;
    }

    /**
     * @param  non-empty-list<float>  $wheels  likely, W at the rpms
     * @param  non-empty-list<float>  $engine  likewise, what the engine makes
     * @param  list<array{float, float, float}>  $used  as drawn() gave them
     * @param  ?Soak  $soak  charge temperature by pull, where it is known
     * @return list<LimitReading>
     */
    public function readings(StageModel $model, array $wheels, array $engine, array $used, ?Soak $soak): array
    {
        return array_map(fn (Limit $limit, array $shares): LimitReading => match (true) {
            $limit->quantity === Quantity::EngineSpeed => self::speed($limit, $model),
            self::alongCurve($limit) => $this->reading($limit, $model, $limit->quantity->isCrank() ? $engine : $wheels, ...$shares),
            $limit->quantity === Quantity::Boost && $model->boost !== null => self::flat($limit, $model, ...$shares),
            $limit->quantity === Quantity::ChargeTemperature && $soak !== null => self::temperature($limit, $soak->fifth),
            $limit->quantity === Quantity::ExhaustTemperature && $model->exhaust !== null => self::temperature($limit, $model->exhaust->quantile(0.9)),
            default => new LimitReading($limit, Status::Unknown, null, null, 0.0, $limit->safeAt(0.0), $limit->edgeAt(0.0), 0.0),
        }, $model->limits, $used);
    }

    private static function alongCurve(Limit $limit): bool
    {
        return $limit->quantity->isDrawn();
    }

    private static function flat(Limit $limit, StageModel $model, float $median, float $used, float $edge): LimitReading
    {
        $moved = $limit->movedBy($model->build->situation->mapKind());
        $safe = $limit->safeAt(0.0) * $moved;

        return new LimitReading($limit, self::status($median, $used, $edge), $median, $used, $used * $safe, $safe, $limit->edgeAt(0.0) * $moved, 0.0);
    }

    private static function status(float $median, float $used, float $edge): Status
    {
        return match (true) {
            $edge > self::EXACT => Status::PastEdge,
            $median > self::EXACT => Status::Over,
            $used > self::EXACT => Status::Close,
            default => Status::Clear,
        };
    }

    /** What brings crank power to the limit's quantity: kg/s of fuel for a W, or 1. */
    private function perWatt(Limit $limit, StageModel $model): float
    {
        return $limit->quantity === Quantity::FuelFlow
            ? Consumption::perJoule($model->build->fuel->blend, $model->build->isBoosted(), $this->platform->direct)
            : 1.0;
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
        $shares = $drawn->curves->peaks($this->shareOf($limit, $loss, $model, $edge));
        $of = Percentiles::of($shares);

        return [[$of->p50, $of->p75, $of->p90], self::past($shares, self::EXACT)];
    }

    /** @return array{array{float, float, float}, array<int, false>} */
    private function flatShares(Limit $limit, Loss $loss, StageModel $model, DrawnPeaks $drawn, bool $edge): array
    {
        [$peaks, $of] = $limit->quantity->isTorque() ? [$drawn->torques, $drawn->torque] : [$drawn->powers, $drawn->power];
        $allowed = ($edge ? $limit->edgeAt(0.0) : $limit->safeAt(0.0)) * $this->allowed($limit, $model);
        $share = fn (float $peak): float => $loss->toCrank($peak) / $allowed;

        return [[$share($of->p50), $share($of->p75), $share($of->p90)], self::past($peaks, $loss->toWheels($allowed * self::EXACT))];
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

    /** What the stated values count in wheel or crank power or torque: moved by the map, less what its boost overshoots. */
    private function allowed(Limit $limit, StageModel $model): float
    {
        $map = $model->build->situation->mapKind();
        $overshoot = $limit->quantity->isTorque() && $map === MapKind::OffTheShelf ? self::OVERSHOOT : 1.0;

        return $limit->movedBy($map) / ($overshoot * $this->perWatt($limit, $model));
    }

    /** @return list<Loss> */
    private function lossesOf(Limit $limit): array
    {
        return $limit->quantity->isCrank() ? $this->losses : [Loss::none()];
    }

    /** Whether the share peaks elsewhere than power or torque does. */
    private static function isFollowed(Limit $limit, Loss $loss): bool
    {
        return ! $limit->isFlat() || ($loss->constant && ! $limit->quantity->isTorque());
    }

    /**
     * Wheel power to the share of what is allowed.
     *
     * @param  bool  $edge  of the edge, or of what is safe
     */
    private function shareOf(Limit $limit, Loss $loss, StageModel $model, bool $edge): CurveQuantity
    {
        $allowed = $this->allowed($limit, $model);
        $key = "{$loss->share} {$loss->constant} {$edge} {$allowed}";
        $known = $this->shares[$limit] ?? [];
        $known[$key] ??= $this->shareAlong($limit, $loss, $edge, $allowed);
        $this->shares[$limit] = $known;

        return $known[$key];
    }

    /** @param  float  $factor  what is allowed counts so much */
    private function shareAlong(Limit $limit, Loss $loss, bool $edge, float $factor): CurveQuantity
    {
        $torque = $limit->quantity->isTorque();
        $scale = $shift = [];
        foreach ($this->rpms as $rpm) {
            $omega = $rpm * Rpm::OMEGA;
            $most = ($edge ? $limit->edgeAt($rpm) : $limit->safeAt($rpm)) * $factor;
            $scale[] = 1.0 / ((1.0 - $loss->percentageShare()) * $most * ($torque ? $omega : 1.0));
            $shift[] = $loss->torque * ($torque ? 1.0 : $omega) / $most;
        }

        return new CurveQuantity($scale, $shift);
    }

    /** @param  non-empty-list<float>  $likely  W */
    private function reading(Limit $limit, StageModel $model, array $likely, float $median, float $used, float $edge): LimitReading
    {
        $shares = $this->shareOf($limit, $this->lossesOf($limit)[0], $model, false)->along($likely);
        $rpm = $this->rpms[(int) array_search(max([0.0, ...$shares]), $shares, true)];
        $moved = $limit->movedBy($model->build->situation->mapKind());

        return new LimitReading($limit, self::status($median, $used, $edge), $median, $used, $used * $limit->safeAt($rpm) * $moved, $limit->safeAt($rpm) * $moved, $limit->edgeAt($rpm) * $moved, $rpm);
    }

    /** Temperatures take 3 K for a warmer day instead of a share, and are clear to 10 K below safe. */
    private static function temperature(Limit $limit, float $kelvin): LimitReading
    {
        $demand = $kelvin + self::WARMER;
        $safe = $limit->safeAt(0.0);
        $edge = $limit->edgeAt(0.0);
        $status = match (true) {
            $demand > $edge => Status::PastEdge,
            $demand > $safe => Status::Over,
            $demand > $safe - self::CLEAR_KELVIN => Status::Close,
            default => Status::Clear,
        };
        $celsius = fn (float $value): float => $value - 273.15;

        return new LimitReading($limit, $status, $celsius($demand) / $celsius($safe), $celsius($demand) / $celsius($safe), $demand, $safe, $edge, 0.0);
    }

    /** Engine speed is held by the limiter: it has no spread. */
    private static function speed(Limit $limit, StageModel $model): LimitReading
    {
        $safe = $limit->safeAt(0.0);
        $edge = $limit->edgeAt(0.0);
        $demand = $model->revLimit;
        $status = match (true) {
            $demand > $edge => Status::PastEdge,
            $demand > $safe => Status::Over,
            default => Status::Clear,
        };

        return new LimitReading($limit, $status, $demand / $safe, $demand / $safe, $demand, $safe, $edge, $demand);
    }
}
