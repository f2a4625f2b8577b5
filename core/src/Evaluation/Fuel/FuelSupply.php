<?php

namespace Pebblerun\Core\Evaluation\Fuel;

use Closure;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Evaluation\Air\Breathing;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Evaluation\Model\FuelDemand;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Math\Nearest;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\FullLoad;
use Pebblerun\Core\Units\Range;

/**
 * What the fuel system of a build delivers: a ceiling at each component's edge, and a limit. A component that the measured car
 * outgrew has its flow raised, for every fuel.
 */
final class FuelSupply
{
    private const REMEMBERED = 60;

    /** Of a W: equal ceilings are to have equal names. */
    private const DECIMALS = 3;

    /** rpm between the points of ceilings and limits. */
    private const STEP = 100.0;

    /** @var Memo<array{list<Ceiling>, list<Limit>, FuelDemand}> by everything that moves them */
    private Memo $known;

    /** @var ?array<string, float> what the flow of the known car's components is raised by, by component */
    private ?array $raised = null;

    /**
     * @param  non-empty-list<Loss>  $losses  a share first
     * @param  Closure(StageModel): Likely  $likely  of a build with as much fuel as it asks
     */
    public function __construct(
        private readonly Platform $platform,
        private readonly Breathing $breathing,
        private readonly StageModel $start,
        private readonly array $losses,
        private readonly Closure $likely,
    ) {
        $this->known = new Memo(self::REMEMBERED);
    }

    public function of(StageModel $model): StageModel
    {
        return $model->fuelled(...$this->parts($model));
    }

    /** @return array{list<Ceiling>, list<Limit>, FuelDemand} */
    private function parts(StageModel $model): array
    {
        if (! $this->needsAir($model)) {
            $key = "{$model->hardware->name}/{$model->build->fuel->key}/{$model->build->isBoosted()}/{$model->revLimit}";

            return $this->known->get($key) ?? $this->known->put($key, $this->make($model, null, $this->raised()));
        }

        return $this->make($model, $this->breathing->of($model, ($this->likely)($model)), $this->raised());
    }

    /** Whether pressure in the manifold or a belt move what is asked. */
    private function needsAir(StageModel $model): bool
    {
        return $model->build->isBoosted() && ! $this->platform->engine->direct && $model->hardware->fuel !== [] || $model->hardware->belt;
    }

    /**
     * @param  array<string, float>  $raised  what a component's flow is raised by
     * @return array{list<Ceiling>, list<Limit>, FuelDemand}
     */
    private function make(StageModel $model, ?Breath $breath, array $raised): array
    {
        $blend = $model->build->fuel->blend;
        $demand = new FuelDemand($this->load($model), $blend, $this->drive($breath));
        $ceilings = $limits = [];
        $last = max($model->revLimit, $this->platform->baseline->last());
        foreach ($model->hardware->fuel as $component) {
            $name = $model->nameOf($component);
            $more = $raised[$name] ?? 1.0;
            $points = $flows = [];
            for ($rpm = $this->platform->baseline->first; $rpm < $last + self::STEP; $rpm += self::STEP) {
                $edge = $more * $component->supply->edge($rpm, self::manifold($breath, $rpm), $blend);
                $points[] = [$rpm, Range::exact(round(max(0.0, $edge / $demand->perWatt($rpm) - $demand->drive($rpm)), self::DECIMALS))];
                $flows[] = [$rpm, max(1e-9, $edge * $component->supply->safe()), max(1e-9, $edge)];
            }
            assert($flows !== []);
            $note = $more > 1.0 ? trim(sprintf('%s raised by %d %%: the measured car burned that much', $component->note === '' ? '' : "{$component->note};", round(100 * ($more - 1.0)))) : $component->note;
            $ceilings[] = new Ceiling($component->key, $component->name, false, false, true, $points, null, $name);
            $limits[] = new Limit($component->key, $component->name, $component->slot, Quantity::FuelFlow, $flows, [], $component->consequence, $component->evidence, $note);
        }

        return [$ceilings, $limits, $demand];
    }

    /** A blower or turbo on a natural engine burns as a boosted one. */
    private function load(StageModel $model): FullLoad
    {
        $stock = $this->breathing->stock;

        return $model->build->isBoosted() === $this->platform->engine->boosted
            ? $stock->load
            : new FullLoad($this->platform->engine->fuel, true, $this->platform->engine->direct, $stock->torqueRpm, $stock->powerRpm);
    }

    /** @return list<array{float, float}> */
    private function drive(?Breath $breath): array
    {
        return $breath === null || ! $breath->model->hardware->belt ? [] : array_map(fn (int $place, float $rpm): array => [$rpm, $breath->drive($place)], array_keys($breath->rpms), $breath->rpms);
    }

    /** Pa over the outside air, at the nearest speed that was looked at. */
    private static function manifold(?Breath $breath, float $rpm): float
    {
        return $breath === null ? 0.0 : $breath->boost(Nearest::place($breath->rpms, $rpm));
    }

    /** @return array<string, float> by component, what the car as it is known burned more than that should give */
    private function raised(): array
    {
        return $this->raised ??= $this->outgrown();
    }

    /** @return array<string, float> by component of the car as it is known */
    private function outgrown(): array
    {
        $likely = ($this->likely)($this->start);
        [$ceilings, , $demand] = $this->make($this->start, $this->needsAir($this->start) ? $this->breathing->of($this->start, $likely) : null, []);
        $raised = [];
        foreach ($ceilings as $ceiling) {
            $most = 1.0;
            foreach ($likely->grid->rpms as $i => $rpm) {
                $crank = $this->losses[0]->toCrank($likely->engine[$i]);
                $point = $ceiling->points[(int) min(count($ceiling->points) - 1, max(0.0, round(($rpm - $ceiling->points[0][0]) / self::STEP)))];
                $most = max($most, ($crank + $demand->drive($rpm)) / max(1.0, $point[1]->likely + $demand->drive($rpm)));
            }
            $raised[(string) $ceiling->component] = $most;
        }

        return array_filter($raised, fn (float $more): bool => $more > 1.0);
    }
}
