<?php

namespace Pebblerun\Core\Evaluation\Air;

use Closure;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\DayAir;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Soak;
use Pebblerun\Core\Physics\Dyno\Correction;
use Pebblerun\Core\Physics\Dyno\Weather;
use Pebblerun\Core\Physics\Fuel\DieselBurn;
use Pebblerun\Core\Physics\Fuel\FuelKind;

/**
 * What is left of the power on the hottest day at its height. A natural engine and a belt lose with the air; a turbo's map holds the
 * manifold's pressure and loses by warmer charge, and by what its compressor still moves; a diesel keeps its power until λ stops it.
 * The standard day as outside changes nothing.
 */
final readonly class HotDay
{
    /** No map lets its turbo turn for more than a quarter more pressure ratio than on the standard day: 1.80 bar for 2.04 at 3,000 m. */
    private const MORE_RATIO = 1.25;

    /**
     * @param  Closure(StageModel): Likely  $likely
     * @param  Closure(StageModel, Likely): list<float>  $air  against the stock car's, at the speeds of the curve
     */
    public function __construct(private Platform $platform, private Ambient $day, private Closure $likely, private Closure $air) {}

    /** @return float share of the likely peak power, 0–1 or a little more on a cool day */
    public function of(StageModel $model, Likely $standard, Breath $breath): float
    {
        $there = $breath->there()[0];
        if ($this->platform->engine->fuel !== FuelKind::Diesel) {
            return max($there->engine) / max(1.0, max($standard->engine));
        }
        $best = 0.0;
        foreach ($breath->rpms as $place => $rpm) {
            $best = max($best, $there->engine[$there->grid->place($rpm)] * $this->cut($model, $breath, $place));
        }

        return $best / max(1.0, max($standard->engine));
    }

    /** @return array{Likely, DayAir} the likely curve of that day, and what the day leaves before ceilings */
    public function curve(StageModel $model, Breath $breath): array
    {
        $day = $this->day($model, $breath);
        $there = ($this->likely)($model->on($day));

        return [$there, $this->platform->engine->fuel === FuelKind::Diesel && $breath->holdsPressure() ? new DayAir($day->thin, $day->rpms, $day->keeps, $day->held, $this->left($model, $day, $there, $breath)) : $day];
    }

    /** @return non-empty-list<float> share of the standard day's air that a diesel's compressor moves, at the breath's speeds */
    private function left(StageModel $model, DayAir $day, Likely $there, Breath $breath): array
    {
        $thin = ($this->air)($model->on($day), $there);
        $standard = ($this->air)($model, $there);

        return array_map(fn (float $rpm): float => min(1.0, $thin[$there->grid->place($rpm)] / max(1e-6, $standard[$there->grid->place($rpm)])), $breath->rpms);
    }

    private function day(StageModel $model, Breath $breath): DayAir
    {
        if (! $breath->holdsPressure()) {
            // As humid on both days: what differs is height and warmth.
            $keeps = self::corrected(Ambient::standard()) / self::corrected($this->day);

            return new DayAir(1.0, $breath->rpms, array_fill(0, count($breath->rpms), $keeps));
        }
        $height = $this->day->pressure / Ambient::STANDARD;
        $held = min(1.0, self::MORE_RATIO * $height);
        $diesel = $this->platform->engine->fuel === FuelKind::Diesel;

        return new DayAir(
            $height * sqrt(Ambient::STANDARD_KELVIN / $this->day->kelvin), $breath->rpms,
            array_map(fn (int $place): float => $diesel ? 1.0 : $held * $this->warm($breath, $place, $held), array_keys($breath->rpms)), $held,
        );
    }

    private static function corrected(Ambient $day): float
    {
        return Correction::J1349->factor(Weather::of($day->kelvin - 273.15, $day->pressure, Ambient::HUMIDITY));
    }

    private function warm(Breath $breath, int $place, float $held): float
    {
        $cool = $breath->charge($place)->cool;
        $hot = $breath->heldOnHotDay($place, 1.0, $held)->cool;

        return sqrt($cool / $hot) * min(1.0, Soak::held($hot, $breath->threshold($place)) / Soak::held($cool, $breath->threshold($place)));
    }

    /**
     * Share of the power that is left when fuel is cut until smoke and exhaust heat are at their safe lines, or where the stock car is if
     * that is worse.
     */
    private function cut(StageModel $model, Breath $breath, int $place): float
    {
        $rpm = $breath->rpms[$place];
        $lambda = $breath->lambda($place, 1.0, true);
        $stock = $breath->stock->load->lambdaAt($rpm);
        $needed = 0.0;
        foreach ($model->limits as $limit) {
            if ($limit->quantity === Quantity::Smoke) {
                $needed = max($needed, min($limit->safeAt($rpm), $stock));
            } elseif ($limit->quantity === Quantity::ExhaustTemperature && $this->platform->engine->exhaust !== null) {
                $stockKelvin = $this->platform->engine->exhaust->likely;
                $most = max($limit->hot[0] ?? $limit->safeAt($rpm), $stockKelvin) - $model->hardware->cooling->likely;
                $needed = max($needed, DieselBurn::lambdaFor($most, $breath->fifth($place, 1.0, true), $stockKelvin, $breath->stock->charge($rpm)->cool, $stock));
            }
        }
        $burns = DieselBurn::burns($lambda, 1.0, 1.0);

        return $needed <= $lambda ? 1.0 : min(1.0, $lambda / $needed / $burns);
    }
}
