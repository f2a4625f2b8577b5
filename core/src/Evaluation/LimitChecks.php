<?php

namespace Pebblerun\Core\Evaluation;

use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Evaluation\Engine\SampleSpeeds;
use Pebblerun\Core\Evaluation\Engine\SpeedGrid;
use Pebblerun\Core\Evaluation\Limits\AirLimits;
use Pebblerun\Core\Evaluation\Limits\LimitCheck;
use Pebblerun\Core\Evaluation\Limits\Towing;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Physics\Driveline\Loss;

/** The limits of a car's builds over engine speed, and at which speeds they need be looked at. */
final readonly class LimitChecks
{
    /** Sets of speeds whose limits are remembered. */
    private const REMEMBERED = 16;

    private Towing $towing;

    /** @var Memo<LimitCheck> by grid */
    private Memo $checks;

    /** @param  non-empty-list<Loss>  $losses  percentage and constant */
    public function __construct(private Platform $platform, private Brief $brief, private array $losses)
    {
        $this->checks = new Memo(self::REMEMBERED);
        $this->towing = new Towing($brief->outside->climb($brief->car->mass, $platform->body->dragArea), $brief->outside->airspeed);
    }

    public function on(SpeedGrid $grid): LimitCheck
    {
        return $this->checks->get($grid->name) ?? $this->checks->put($grid->name, new LimitCheck($this->platform, $this->losses, $grid->rpms, $this->brief->driving->pulls()));
    }

    /** What depends on the air; null where nothing is known of it. */
    public function ofAir(?Breath $breath): ?AirLimits
    {
        return $breath === null ? null : new AirLimits($this->platform, $breath, $this->towing);
    }

    /**
     * Speeds about the likely peaks of power, torque and every limit's demand, and the target's: where draws need be looked at.
     *
     * @return non-empty-list<float>
     */
    public function speeds(StageModel $model, Likely $likely): array
    {
        $target = $this->brief->target?->atRpm;
        $tracks = [$likely->wheels, $likely->torque(), ...$this->on($likely->grid)->followed($model, $likely->wheels, $likely->engine, $likely->asked)];

        return array_map(fn (int $place): float => $likely->grid->rpms[$place], SampleSpeeds::of($tracks, $target === null ? [] : [$likely->grid->place($target)]));
    }
}
