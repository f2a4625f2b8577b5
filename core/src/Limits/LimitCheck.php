<?php

namespace Pebblerun\Core\Limits;

use Pebblerun\Core\Build\StageModel;
use Pebblerun\Core\Draws\Percentiles;
use Pebblerun\Core\Platform\Loss;
use Pebblerun\Core\Units\Rpm;

/** Checks every component that stands in a stage against the stage's drawn curves. */
final class LimitCheck
{
    /** Cold days and overshoot. */
    private const OVERSHOOT = 1.05;

    private const CLEAR = 0.9;

    /** Engine speed is held by the limiter: no spread and no overshoot, so clear reaches further. */
    private const CLEAR_SPEED = 0.98;

    /**
     * @param  list<Limit>  $limits  the platform's
     * @param  list<Loss>  $losses  limits at the crank are checked under each and the worst is taken
     */
    public function __construct(private readonly array $limits, private readonly array $losses) {}

    /**
     * @param  non-empty-list<float>  $rpms
     * @param  non-empty-list<non-empty-list<float>>  $curves  wheel power in W, one curve a draw
     * @param  non-empty-list<float>  $likely  wheel power in W
     * @return list<Reading>
     */
    public function of(StageModel $model, array $rpms, array $curves, array $likely): array
    {
        return array_map(
            fn (Limit $limit): Reading => $this->read($limit, $model, $rpms, $curves, $likely),
            $this->standing($model),
        );
    }

    /** @return list<Limit> the platform's where the component is stock, a part's own where it brings some */
    private function standing(StageModel $model): array
    {
        $own = $replaced = [];
        foreach ($model->state->parts() as $mounted) {
            if ($mounted->part->effects->limits !== []) {
                array_push($own, ...$mounted->part->effects->limits);
                array_push($replaced, ...$mounted->part->slots);
            }
        }
        $stock = array_filter($this->limits, fn (Limit $limit): bool => ! in_array($limit->slot, $replaced, true));

        return [...array_values($stock), ...$own];
    }

    /**
     * @param  non-empty-list<float>  $rpms
     * @param  non-empty-list<non-empty-list<float>>  $curves
     * @param  non-empty-list<float>  $likely
     */
    private function read(Limit $limit, StageModel $model, array $rpms, array $curves, array $likely): Reading
    {
        $moved = $limit->movedBy($model->state->mapKind());
        if ($limit->quantity === Quantity::EngineSpeed) {
            return $this->speed($limit, $model->revLimit, $moved);
        }
        if (! $limit->quantity->isTorque() && ! $limit->quantity->isPower()) {
            return new Reading($limit, Status::Unknown, null, 0.0, $limit->safeAt(0.0), $limit->edgeAt(0.0), 0.0);
        }
        $safe = $edge = [];
        foreach ($rpms as $rpm) {
            $safe[] = $limit->safeAt($rpm) * $moved / self::OVERSHOOT;
            $edge[] = $limit->edgeAt($rpm) * $moved / self::OVERSHOOT;
        }
        [$likelyUsed, $worst] = $this->worst($limit->quantity, $rpms, $likely, $safe);
        $used = Percentiles::of(array_map(fn (array $curve): float => $this->worst($limit->quantity, $rpms, $curve, $safe)[0], $curves))->p90;
        $overEdge = $used > 1.0
            && Percentiles::of(array_map(fn (array $curve): float => $this->worst($limit->quantity, $rpms, $curve, $edge)[0], $curves))->p90 > 1.0;
        $safeThere = $safe[$worst] * self::OVERSHOOT;

        return new Reading(
            $limit,
            match (true) {
                $overEdge => Status::PastEdge,
                $used > 1.0 => Status::Over,
                $used > self::CLEAR => Status::Close,
                default => Status::Clear,
            },
            $used, $used * $safeThere, $safeThere, $edge[$worst] * self::OVERSHOOT, $rpms[$worst],
        );
    }

    private function speed(Limit $limit, float $demand, float $moved): Reading
    {
        $safe = $limit->safeAt(0.0) * $moved;
        $edge = $limit->edgeAt(0.0) * $moved;
        $status = match (true) {
            $demand > $edge => Status::PastEdge,
            $demand > $safe => Status::Over,
            $demand > self::CLEAR_SPEED * $safe => Status::Close,
            default => Status::Clear,
        };

        return new Reading($limit, $status, $demand / $safe, $demand, $safe, $edge, $demand);
    }

    /**
     * The highest share of the allowed along one curve, and where.
     *
     * @param  non-empty-list<float>  $rpms
     * @param  non-empty-list<float>  $power  W at the wheels; may end before the rpms do
     * @param  list<float>  $allowed  in the limit's unit
     * @return array{float, int}
     */
    private function worst(Quantity $quantity, array $rpms, array $power, array $allowed): array
    {
        $share = 0.0;
        $place = 0;
        $torque = $quantity->isTorque();
        $crank = $quantity->isCrank();
        foreach ($power as $r => $watts) {
            $omega = $rpms[$r] * Rpm::OMEGA;
            $figure = $torque ? $watts / $omega : $watts;
            if ($crank) {
                $figure = $this->atCrank($watts / $omega) * ($torque ? 1.0 : $omega);
            }
            $used = $figure / $allowed[$r];
            if ($used > $share) {
                [$share, $place] = [$used, $r];
            }
        }

        return [$share, $place];
    }

    private function atCrank(float $wheelTorque): float
    {
        $highest = 0.0;
        foreach ($this->losses as $loss) {
            $highest = max($highest, $loss->toCrank($wheelTorque));
        }

        return $highest;
    }
}
