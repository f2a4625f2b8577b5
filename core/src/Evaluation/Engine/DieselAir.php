<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Closure;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Math\CurveArithmetic;
use Pebblerun\Core\Physics\Fuel\DieselBurn;
use Pebblerun\Core\Physics\Fuel\FullLoad;

/**
 * What a diesel burns of its fuel: ceilings of airflow limit its air, and fuel that finds none is smoke and heat, and no power.
 */
final readonly class DieselAir
{
    /**
     * @param  AirFactors  $air  of what gives air
     * @param  AirFactors  $fuel  of what asks for it
     * @param  BuildFactors  $factors  of that, whose bound bounds the fuel as well
     */
    public function __construct(private FullLoad $load, private AirFactors $air, private AirFactors $fuel, private BuildFactors $factors) {}

    /**
     * Air against the stock car's, and the share of the fuel that burns.
     *
     * @param  list<float>  $known  flat, W of the car as known
     * @param  Closure(list<float>): list<float>  $limited  power under the ceilings of airflow
     * @return array{list<float>, list<float>} flat
     */
    public function of(StageModel $model, StageModel $start, SpeedGrid $grid, array $known, Closure $limited): array
    {
        $before = $this->fuel->of($start, $grid)['air'];
        $now = $this->air->of($model, $grid)['air'];
        $fuel = CurveArithmetic::times($this->fuel->of($model, $grid)['fuel'], $this->factors->leftByBound($model, $grid));
        $freely = [];
        foreach ($known as $at => $watts) {
            $freely[] = $watts * $now[$at] / $before[$at];
        }
        $air = $burns = [];
        $rows = intdiv(count($known), count($grid->rpms));
        foreach ($limited($freely) as $at => $watts) {
            $air[] = $here = $known[$at] > 0.0 ? $before[$at] * $watts / $known[$at] : $now[$at];
            $burns[] = DieselBurn::burns($this->load->lambdaAt($grid->rpms[intdiv($at, $rows)]), $here, $fuel[$at]);
        }

        return [$air, $burns];
    }

    /** @return list<float> flat: the share of its fuel that the car as known burns */
    public function burnt(StageModel $start, SpeedGrid $grid): array
    {
        ['air' => $air] = $this->fuel->of($start, $grid);
        $fuel = CurveArithmetic::times($this->air->of($start, $grid)['fuel'], $this->factors->leftByBound($start, $grid));
        $rows = intdiv(count($air), count($grid->rpms));
        $burns = [];
        foreach ($air as $at => $here) {
            $burns[] = DieselBurn::burns($this->load->lambdaAt($grid->rpms[intdiv($at, $rows)]), $here, $fuel[$at]);
        }

        return $burns;
    }
}
