<?php

namespace Pebblerun\Core\Evaluation\Air;

use Closure;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Engine\Engine;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Physics\Air\Ambient;

/** Follows the air of builds of one car. */
final readonly class Breathing
{
    /** Every sixth speed of the grid is looked at: 300 rpm. */
    private const EVERY = 6;

    /** How much of a change of power is a change of air, at the least and where nothing was gained. */
    private const LEAST = 0.3;

    private HotDay $day;

    /** @param  Closure(StageModel): Likely  $likely */
    public function __construct(private Platform $platform, public StockAir $stock, private Engine $engine, private StageModel $known, public Ambient $hot, Closure $likely)
    {
        $this->day = new HotDay($platform, $hot, $likely, fn (StageModel $model, Likely $there): array => $engine->air($model, $known, $there->grid, $there->engine)['air']);
    }

    /** Share of the power that the hottest day leaves; null where nothing is known of the air. */
    public function hotShare(StageModel $model, Likely $likely, ?Breath $breath): ?float
    {
        return $breath === null ? null : $this->day->of($model, $likely, $breath);
    }

    /** Null where what compresses is not known: then nothing can be said of boost, charge and knock. */
    public function of(StageModel $model, Likely $likely): ?Breath
    {
        $hardware = $model->hardware;
        $induction = $model->induction !== [];
        $natural = ! $this->platform->engine->boosted && ! $induction;
        if (! $this->stock->isKnown() || ($induction && $model->charger === null)) {
            return null;
        }
        $factors = $this->engine->air($model, $this->known, $likely->grid, $likely->engine);
        $rpms = $air = $easier = $leaner = $follows = $power = $nitrous = [];
        foreach ($this->places($likely) as $place) {
            $rpms[] = $likely->grid->rpms[$place];
            $power[] = $likely->engine[$place];
            $air[] = $factors['air'][$place];
            $easier[] = $factors['easier'][$place];
            $nitrous[] = $factors['nitrous'][$place];
            $leaner[] = $factors['air'][$place] / $factors['fuel'][$place];
            $gained = log(max(1e-6, $factors['power'][$place]));
            $follows[] = abs($gained) < 0.005 ? 1.0 : min(1.0, max(self::LEAST, log(max(1e-6, $factors['air'][$place])) / $gained));
        }
        /** @var non-empty-list<float> $rpms */
        /** @var non-empty-list<float> $air */
        /** @var non-empty-list<float> $easier */
        /** @var non-empty-list<float> $leaner */
        /** @var non-empty-list<float> $follows */
        /** @var non-empty-list<float> $power */
        /** @var non-empty-list<float> $nitrous */
        $path = $natural || $hardware->compressor === null ? null : $this->stock->path($hardware->compressor, $hardware->cooler);

        return new Breath($model, $this->stock, $rpms, $air, $easier, $leaner, $follows, $power, $nitrous, $path, $this->platform->engine->displacement, $this->hot, fn (Breath $breath): array => $this->day->curve($model, $breath));
    }

    /** @return list<int> */
    private function places(Likely $likely): array
    {
        $places = range(0, count($likely->grid->rpms) - 1, self::EVERY);
        foreach ([$this->stock->torqueRpm, $this->stock->plateauEnd, $this->stock->powerRpm, $likely->topRpm()] as $rpm) {
            $places[] = $likely->grid->place($rpm);
        }
        $places = array_values(array_unique($places));
        sort($places);

        return $places;
    }
}
