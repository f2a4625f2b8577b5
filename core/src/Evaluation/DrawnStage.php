<?php

namespace Pebblerun\Core\Evaluation;

use Closure;
use Pebblerun\Core\Evaluation\Engine\DrawnPeaks;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Math\Nearest;

/** A build's curves at the few speeds that were drawn, a row each draw. */
final readonly class DrawnStage
{
    /**
     * @param  SpeedGrid  $grid  that was drawn
     * @param  DrawnPeaks  $wheels  at the wheels
     * @param  DrawnPeaks  $made  what the engine makes, as the stock driveline brings it to the wheels
     * @param  DrawnPeaks  $asked  what it would make with as much fuel as it asks
     */
    public function __construct(public SpeedGrid $grid, public DrawnPeaks $wheels, public DrawnPeaks $made, public DrawnPeaks $asked) {}

    /**
     * @param  non-empty-list<float>  $rpms
     * @param  float  $doubt  κ of the model
     * @param  ?float  $wanted  W at the wheels
     */
    public static function of(Engine $engine, StageModel $model, Likely $likely, array $rpms, float $doubt, ?float $wanted = null): self
    {
        $grid = new SpeedGrid($rpms);
        [$made, $asked] = $engine->powers($model, $grid, $doubt);
        $at = fn (array $watts): array => array_map(fn (float $rpm): float => $watts[$likely->grid->place($rpm)], $rpms);
        $wheels = DrawnPeaks::of($engine->wheels($made, $model, $grid, $doubt), $rpms, $wanted, $at($likely->wheels));
        $atEngine = $model->drivelineGains === [] ? $wheels : DrawnPeaks::of($made, $rpms, null, $at($likely->engine));

        return new self($grid, $wheels, $atEngine, $asked === $made ? $atEngine : DrawnPeaks::of($asked, $rpms, null, $at($likely->asked)));
    }

    /**
     * Power of each draw against the likely curve at the nearest speed that was drawn, without the doubt of the whole curve: what a
     * measurement is off by is no air.
     *
     * @param  list<float>  $scales  that doubt, one a draw
     * @return Closure(float): list<float>
     */
    public function more(Likely $likely, array $scales): Closure
    {
        return function (float $rpm) use ($likely, $scales): array {
            $place = Nearest::place($this->grid->rpms, $rpm);
            $power = max(1.0, $likely->engine[$likely->grid->place($this->grid->rpms[$place])]);

            return array_map(fn (float $watts, float $scale): float => $watts / ($power * $scale), $this->made->curves->at($place), $scales);
        };
    }
}
