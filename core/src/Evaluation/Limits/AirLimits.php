<?php

namespace Pebblerun\Core\Evaluation\Limits;

use Closure;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Limits\QuantityTraits;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Math\LinearInterpolation;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Fuel\DieselBurn;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\OctaneNeed;

/**
 * Checks what depends on the air: boost, charge temperature, the compressor's flow, knock, smoke and a diesel's exhaust temperature;
 * temperatures, flow and knock on the hottest day too.
 */
final readonly class AirLimits
{
    private const EXACT = 1.0 + 1e-9;

    private const HALVINGS = 14;

    /** Steps of power at which what depends on the air is worked out for all draws. */
    private const KNOTS = 8;

    public function __construct(private Platform $platform, private Breath $breath, private Towing $towing) {}

    /**
     * @param  Closure(float): list<float>  $more  power of each draw against the likely curve, about an engine speed
     * @return array{Standing, array<int, false>, array<int, false>} and the draws past safe and past the edge
     */
    public function of(Limit $limit, Closure $more): array
    {
        if (! $this->isKnown($limit->quantity)) {
            return [Standing::unknown(), [], []];
        }
        $worst = null;
        foreach ($this->days($limit) as $hot) {
            $place = $this->worstPlace($limit, $hot);
            $draws = $more($this->breath->rpms[$place]);
            $of = Percentiles::of($draws);
            $standing = $this->standing($limit, $place, $hot, $of->p50, $of->p75, $of->p90);
            if ($worst === null || $standing->isWorseThan($worst[0])) {
                $worst = [$standing, $place, $draws];
            }
        }
        [$standing, $place, $draws] = $worst;

        return [$standing, $this->past($limit, $place, $standing->hot, $draws, 0), $this->past($limit, $place, $standing->hot, $draws, 1)];
    }

    /**
     * Between what the limit stands.
     *
     * @param  Closure(float): list<array{float, float}>  $more  between what P50, P75 and P90 of that power are
     */
    public function between(Limit $limit, Closure $more): Margin
    {
        if (! $this->isKnown($limit->quantity)) {
            return Margin::exactly(Standing::unknown());
        }
        $least = $most = null;
        foreach ($this->days($limit) as $hot) {
            $place = $this->worstPlace($limit, $hot);
            $bounds = $more($this->breath->rpms[$place]);
            [$low, $high] = array_map(fn (int $end): Standing => $this->standing($limit, $place, $hot, ...array_column($bounds, $end)), [0, 1]);
            $least = $least === null || $low->isWorseThan($least) ? $low : $least;
            $most = $most === null || $high->isWorseThan($most) ? $high : $most;
        }

        return new Margin($least, $most);
    }

    /**
     * Chance that it breaks where it stands worst: the mean over the draws, whose demand runs straight between a few that are worked out.
     *
     * @param  Closure(float): list<float>  $more
     * @param  float  $pulls  hard ones in the time that is asked about
     */
    public function breaks(Limit $limit, Standing $standing, Closure $more, float $pulls): float
    {
        $rpm = (float) $standing->rpm;
        $place = (int) array_search($rpm, $this->breath->rpms, true);
        $draws = $more($rpm);
        [$least, $most] = [min([1.0, ...$draws]), max([1.0, ...$draws])];
        $knots = array_map(fn (int $step): float => $least + ($most - $least) * $step / self::KNOTS, range(0, self::KNOTS));
        $shares = LinearInterpolation::spread($knots, array_map(fn (float $one): float => $this->share($limit, $place, $one, $standing->hot)[1], $knots), $draws);
        [$safe, $edge] = $standing->hot && $limit->hot !== null ? $limit->hot : [$limit->safeAt($rpm), $limit->edgeAt($rpm)];
        if ($limit->quantity === Quantity::Knock) {
            return Strength::ofKnock($safe, $edge)->knocks(array_map(fn (float $share): float => QuantityTraits::STEP * ($share - 1.0), $shares));
        }
        $from = $limit->quantity === Quantity::Boost ? 0.0 : ($standing->hot ? $this->breath->hot : Ambient::standard())->kelvin;

        return Strength::of(max(1.0, $safe - $from), max(1.0, $edge - $from), $pulls)->breaks($shares);
    }

    /** @return non-empty-list<bool> whether the hottest one */
    private function days(Limit $limit): array
    {
        return $limit->quantity->traits()->hot ? [false, true] : [false];
    }

    /**
     * @param  float  $p50  of the power against the likely curve
     * @param  float  $p75  likewise
     * @param  float  $p90  likewise
     */
    private function standing(Limit $limit, int $place, bool $hot, float $p50, float $p75, float $p90): Standing
    {
        return new Standing(
            $this->share($limit, $place, $p50, $hot)[0], $this->share($limit, $place, $p90, $hot)[0], $this->share($limit, $place, $p75, $hot)[1],
            $this->breath->rpms[$place], $hot,
        );
    }

    private function isKnown(Quantity $quantity): bool
    {
        return match ($quantity) {
            Quantity::TurboFlow => ! $this->breath->isCompressed() || $this->breath->isRated(),
            Quantity::Knock => $this->platform->engine->combustion->octane !== null && $this->breath->model->build->fuel->octane > 0.0,
            Quantity::Smoke => $this->platform->engine->fuel === FuelKind::Diesel,
            Quantity::ExhaustTemperature => $this->platform->engine->fuel === FuelKind::Diesel && $this->platform->engine->exhaust !== null,
            default => true,
        };
    }

    private function worstPlace(Limit $limit, bool $hot): int
    {
        $worst = 0;
        $most = -INF;
        foreach (array_keys($this->breath->rpms) as $place) {
            $share = $this->share($limit, $place, 1.0, $hot)[0];
            if ($share > $most + 1e-9) {
                [$worst, $most] = [$place, $share];
            }
        }

        return $worst;
    }

    /** @return array{float, float} of safe and of the edge */
    private function share(Limit $limit, int $place, float $more, bool $hot): array
    {
        $rpm = $this->breath->rpms[$place];
        $moved = $limit->movedBy($this->breath->model->build->situation->mapKind());
        [$safe, $edge] = $hot && $limit->hot !== null ? $limit->hot : [$limit->safeAt($rpm), $limit->edgeAt($rpm)];
        $day = ($hot ? $this->breath->hot : Ambient::standard())->kelvin;
        $way = fn (float $kelvin): array => [($kelvin - $day) / max(1.0, $safe - $day), ($kelvin - $day) / max(1.0, $edge - $day)];
        $octane = $this->breath->model->knockOctane();

        return match ($limit->quantity) {
            Quantity::Boost => self::over($this->breath->boost($place, $more), $safe * $moved, $edge * $moved),
            Quantity::ChargeTemperature => $way($this->breath->fifth($place, $more, $hot)),
            Quantity::TurboFlow => self::over($this->breath->charge($place, $more, $hot)->share, $safe, $edge),
            Quantity::Knock => array_map(fn (float $over): float => 1.0 + ($this->need($place, $more, $hot) - $octane - $over) / QuantityTraits::STEP, [$safe, $edge]),
            Quantity::Smoke => self::over(1.0, $this->breath->lambda($place, $more) / $safe, $this->breath->lambda($place, $more) / $edge),
            default => $way($this->beforeTurbine($place, $more, $hot)),
        };
    }

    /** @return array{float, float} */
    private static function over(float $demand, float $safe, float $edge): array
    {
        return [$demand / max(1e-9, $safe), $demand / max(1e-9, $edge)];
    }

    private function need(int $place, float $more, bool $hot): float
    {
        $stock = $this->breath->stock->charge($this->breath->rpms[$place]);
        $charge = $this->breath->charge($place, $more, $hot);

        return OctaneNeed::of(
            (float) $this->platform->engine->combustion->octane, ($charge->manifold - $stock->manifold) / 1e5, $this->breath->model->hardware->compression,
            $charge->cool - $stock->cool, $this->breath->nitrous($place), $this->breath->model->hardware->spray,
        );
    }

    /** K before the turbine: at full load on the fifth pull, or on a long climb, whichever is hotter. */
    private function beforeTurbine(int $place, float $more, bool $hot): float
    {
        $pull = $this->turbine($place, $more, $hot, $this->breath->fifth($place, $more, $hot), 1.0);

        return $this->towing->isAsked()
            ? max($pull, $this->turbine($place, $more, $hot, $this->breath->sustained($place, $more, $hot, $this->towing->airspeed), $this->towing->share($this->breath, $place)))
            : $pull;
    }

    /**
     * @param  float  $charge  K
     * @param  float  $asked  share of full load
     */
    private function turbine(int $place, float $more, bool $hot, float $charge, float $asked): float
    {
        $rpm = $this->breath->rpms[$place];

        return DieselBurn::beforeTurbine(
            $charge, (float) $this->platform->engine->exhaust?->likely, $this->breath->stock->charge($rpm)->cool,
            DieselBurn::atPartLoad($this->breath->lambda($place, $more, $hot), 1.0, $asked), $this->breath->stock->load->lambdaAt($rpm),
        ) + $this->breath->model->hardware->cooling->likely;
    }

    /**
     * @param  list<float>  $draws
     * @param  0|1  $which  safe or edge
     * @return array<int, false> by draw
     */
    private function past(Limit $limit, int $place, bool $hot, array $draws, int $which): array
    {
        if ($draws === []) {
            return [];
        }
        $low = min($draws);
        $high = max($draws);
        $isPast = fn (float $more): bool => $this->share($limit, $place, $more, $hot)[$which] > self::EXACT;
        if (! $isPast($high)) {
            return [];
        }
        if ($isPast($low)) {
            return array_fill(0, count($draws), false);
        }
        for ($step = 0; $step < self::HALVINGS; $step++) {
            $middle = ($low + $high) / 2.0;
            if ($isPast($middle)) {
                $high = $middle;
            } else {
                $low = $middle;
            }
        }

        return array_map(fn (): bool => false, array_filter($draws, fn (float $more): bool => $more > $low));
    }
}
