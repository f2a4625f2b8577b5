<?php

namespace Pebblerun\Core\Evaluation\Air;

use Closure;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Dyno\Correction;
use Pebblerun\Core\Physics\Dyno\Weather;
use Pebblerun\Core\Physics\Fuel\FuelKind;

/**
 * What is left of the power on the hottest day at its height. A natural engine and a belt lose with the air; a turbo's map holds the
 * manifold's pressure and loses by warmer charge and by what its compressor still moves; a diesel keeps its power until λ stops it.
 */
final readonly class HotDay
{
    public function __construct(private Platform $platform, private Ambient $day) {}

    /**
     * @param  Closure(StageModel): Likely  $likely
     * @return float share of the likely peak power, 0–1 or a little more on a cool day
     */
    public function of(StageModel $model, Likely $standard, Breath $breath, Closure $likely): float
    {
        $boosted = $breath->isCompressed() && $model->hardware->pressure === null || $this->platform->engine->boosted;
        if (! $boosted || $model->hardware->belt) {
            return 1.0 / Correction::J1349->factor(Weather::of($this->day->kelvin - 273.15, $this->day->pressure, Ambient::HUMIDITY));
        }
        $thin = $this->day->pressure / Ambient::STANDARD * sqrt(Ambient::STANDARD_KELVIN / $this->day->kelvin);
        $there = array_filter($model->ceilings, fn (Ceiling $ceiling): bool => $ceiling->soft) === [] ? $standard : $likely($model->withAirflow($thin));
        $best = 0.0;
        foreach ($breath->rpms as $place => $rpm) {
            $watts = $there->engine[$there->grid->place($rpm)];
            $best = max($best, $watts * ($this->platform->engine->fuel === FuelKind::Diesel ? $this->smokeFree($model, $breath, $place) : $this->warm($breath, $place)));
        }

        return $best / max(1.0, max($standard->engine));
    }

    private function warm(Breath $breath, int $place): float
    {
        $hot = $breath->charge($place, 1.0, true)->cool;

        return sqrt($breath->charge($place)->cool / $hot) * Soak::held($hot, $breath->threshold($place));
    }

    /** Fuel is cut so that λ stays where it was, or at what smoke allows. */
    private function smokeFree(StageModel $model, Breath $breath, int $place): float
    {
        $limit = array_values(array_filter($model->limits, fn (Limit $limit): bool => $limit->quantity->isInverse()))[0] ?? null;
        $here = $breath->lambda($place);
        $there = $breath->lambda($place, 1.0, true);

        return $limit === null ? 1.0 : min(1.0, $there / min($here, $limit->safeAt($breath->rpms[$place])));
    }
}
