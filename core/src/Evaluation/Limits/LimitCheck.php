<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
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
    /** Cold days and overshoot. */
    public const OVERSHOOT = 1.05;

    private const CLEAR = 0.9;

    private const WARMER = 3.0;

    private const CLEAR_KELVIN = 10.0;

    /** @var WeakMap<Limit, array<string, CurveQuantity>> wheel power to shares of what is allowed: stages have them in common */
    private WeakMap $shares;

    /** Engine speed is held by the limiter: no spread and no overshoot, so clear reaches further. */
    private const CLEAR_SPEED = 0.98;

    /**
     * @param  list<Loss>  $losses  limits at the crank are checked under each and the worst is taken
     * @param  list<float>  $rpms  of the curves
     */
    public function __construct(private readonly Platform $platform, private readonly array $losses, private readonly array $rpms)
    {
        $this->shares = new WeakMap;
    }

    /**
     * P90 of demand over safe and over edge, for each standing limit. The share of edge is only worked out where safe is
     * passed.
     *
     * @param  DrawnPeaks  $wheels  at the wheels
     * @param  DrawnPeaks  $engine  what the engine makes, as the stock driveline brings it to the wheels
     * @return list<array{float, float}>
     */
    public function used(StageModel $model, DrawnPeaks $wheels, DrawnPeaks $engine): array
    {
        return array_map(function (Limit $limit) use ($model, $wheels, $engine): array {
            if ($limit->quantity === Quantity::Boost && $model->boost !== null) {
                $demand = $model->boost->p90() * self::OVERSHOOT / $limit->movedBy($model->build->situation->mapKind());

                return [$demand / $limit->safeAt(0.0), $demand / $limit->edgeAt(0.0)];
            }
            if (! self::alongCurve($limit)) {
                return [0.0, 0.0];
            }
            $drawn = $limit->quantity->isCrank() ? $engine : $wheels;
            $safe = $this->share($limit, $model, $drawn, false);

            return [$safe, $safe > 1.0 ? $this->share($limit, $model, $drawn, true) : 0.0];
        }, $model->limits);
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
     * @param  list<array{float, float}>  $used  as used() gave them
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
            default => new LimitReading($limit, Status::Unknown, null, 0.0, $limit->safeAt(0.0), $limit->edgeAt(0.0), 0.0),
        }, $model->limits, $used);
    }

    private static function alongCurve(Limit $limit): bool
    {
        return $limit->quantity->isTorque() || $limit->quantity->isPower() || $limit->quantity === Quantity::FuelFlow;
    }

    private static function flat(Limit $limit, StageModel $model, float $used, float $edge): LimitReading
    {
        $moved = $limit->movedBy($model->build->situation->mapKind());
        $safe = $limit->safeAt(0.0) * $moved;

        return new LimitReading($limit, self::status($used, $edge), $used, $used * $safe, $safe, $limit->edgeAt(0.0) * $moved, 0.0);
    }

    private static function status(float $used, float $edge): Status
    {
        return match (true) {
            $edge > 1.0 => Status::PastEdge,
            $used > 1.0 => Status::Over,
            $used > self::CLEAR => Status::Close,
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
     * P90 of the highest share of what is allowed, under the worst of the losses.
     *
     * A flat limit's share rises with the peak alone, so the peak's P90 gives it; others are followed along the curves.
     *
     * @param  bool  $edge  of the edge, or of what is safe
     */
    private function share(Limit $limit, StageModel $model, DrawnPeaks $drawn, bool $edge): float
    {
        $peak = $limit->quantity->isTorque() ? $drawn->torque->p90 : $drawn->power->p90;
        $used = 0.0;
        foreach ($this->lossesOf($limit) as $loss) {
            $used = max($used, self::isFollowed($limit, $loss)
                ? Percentiles::of($drawn->curves->peaks($this->shareOf($limit, $loss, $model, $edge)))->p90
                : $loss->toCrank($peak) * $this->perWatt($limit, $model) * self::OVERSHOOT / (($edge ? $limit->edgeAt(0.0) : $limit->safeAt(0.0)) * $limit->movedBy($model->build->situation->mapKind())));
        }

        return $used;
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
        $moved = $limit->movedBy($model->build->situation->mapKind()) / self::OVERSHOOT;
        $perWatt = $this->perWatt($limit, $model);
        $key = "{$loss->share} {$loss->constant} {$edge} {$moved} {$perWatt}";
        $known = $this->shares[$limit] ?? [];
        $known[$key] ??= $this->shareAlong($limit, $loss, $edge, $moved / $perWatt);
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
    private function reading(Limit $limit, StageModel $model, array $likely, float $used, float $edge): LimitReading
    {
        $shares = $this->shareOf($limit, $this->lossesOf($limit)[0], $model, false)->along($likely);
        $rpm = $this->rpms[(int) array_search(max([0.0, ...$shares]), $shares, true)];
        $moved = $limit->movedBy($model->build->situation->mapKind());

        return new LimitReading($limit, self::status($used, $edge), $used, $used * $limit->safeAt($rpm) * $moved, $limit->safeAt($rpm) * $moved, $limit->edgeAt($rpm) * $moved, $rpm);
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

        return new LimitReading($limit, $status, $celsius($demand) / $celsius($safe), $demand, $safe, $edge, 0.0);
    }

    private static function speed(Limit $limit, StageModel $model): LimitReading
    {
        $safe = $limit->safeAt(0.0);
        $edge = $limit->edgeAt(0.0);
        $demand = $model->revLimit;
        $status = match (true) {
            $demand > $edge => Status::PastEdge,
            $demand > $safe => Status::Over,
            $demand > self::CLEAR_SPEED * $safe => Status::Close,
            default => Status::Clear,
        };

        return new LimitReading($limit, $status, $demand / $safe, $demand, $safe, $edge, $demand);
    }
}
