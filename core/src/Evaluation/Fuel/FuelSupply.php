<?php

namespace Pebblerun\Core\Evaluation\Fuel;

use Closure;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Air\Breath;
use Pebblerun\Core\Evaluation\Air\Breathing;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Memo;
use Pebblerun\Core\Evaluation\Model\FuelDemand;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Fuel\FullLoad;
use Pebblerun\Core\Physics\Fuel\HeldBack;
use Pebblerun\Core\Units\Range;

/**
 * What the fuel system of a build delivers: a ceiling at each component's edge, and a limit. A component that the measured car
 * outgrew has its flow raised, for every fuel. What falls with boost is taken at the boost of what it lets through.
 */
final class FuelSupply
{
    private const REMEMBERED = 60;

    /** Of a W: equal ceilings are to have equal names. */
    private const DECIMALS = 3;

    /** rpm between the points of ceilings and limits. */
    private const STEP = 100.0;

    /** @var Memo<array{list<Ceiling>, list<Limit>, FuelDemand, bool}> by everything that moves them */
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

    /** @return array{list<Ceiling>, list<Limit>, FuelDemand, bool} and whether boost can be held low enough for it */
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
        return $model->hardware->belt || ($model->build->isBoosted() && array_filter($model->hardware->fuel, fn (FuelComponent $component): bool => $component->supply->followsBoost()) !== []);
    }

    /**
     * @param  array<string, float>  $raised  what a component's flow is raised by
     * @return array{list<Ceiling>, list<Limit>, FuelDemand, bool}
     */
    private function make(StageModel $model, ?Breath $breath, array $raised): array
    {
        $demand = $this->demand($model, $breath);
        $boost = $breath === null ? null : new BoostByPower($breath, $this->losses[0]);
        $ceilings = $limits = [];
        $held = true;
        $last = max($model->revLimit, $this->platform->baseline->last());
        foreach ($model->hardware->fuel as $component) {
            $name = $model->nameOf($component);
            $more = $raised[$name] ?? 1.0;
            $points = $flows = [];
            for ($rpm = $this->platform->baseline->first; $rpm < $last + self::STEP; $rpm += self::STEP) {
                $most = $this->most($component, $model, $demand, $boost, $rpm, $more);
                $edge = ($most + $demand->besides($rpm, $component->supply->feeds())) * $demand->perWatt($rpm);
                $points[] = [$rpm, Range::exact(round($most, self::DECIMALS))];
                $flows[] = [$rpm, max(1e-9, $edge * $component->supply->safe()), max(1e-9, $edge)];
                $held = $held && ($boost === null || $boost->canBeHeld($rpm, $most));
            }
            assert($flows !== []);
            $note = $more > 1.0 ? trim(sprintf('%s raised by %d %%: the measured car burned that much', $component->note === '' ? '' : "{$component->note};", round(100 * ($more - 1.0)))) : $component->note;
            $ceilings[] = new Ceiling($component->key, $component->name, false, false, true, $points, null, $name);
            $limits[] = new Limit($component->key, $component->name, $component->slot, Quantity::FuelFlow, $flows, [], $component->consequence, $component->evidence, $note);
        }

        return [$ceilings, $limits, $demand, $held];
    }

    /** W at the crank that a component delivers fuel for at its edge, at that power's own boost. */
    private function most(FuelComponent $component, StageModel $model, FuelDemand $demand, ?BoostByPower $boost, float $rpm, float $more): float
    {
        $delivers = fn (float $manifold): float => $more * $component->supply->edge($rpm, $manifold, $model->build->fuel->blend) / $demand->perWatt($rpm) - $demand->besides($rpm, $component->supply->feeds());

        return $boost !== null && $component->supply->followsBoost() ? HeldBack::at($delivers, $boost->along($rpm)) : max(0.0, $delivers(0.0));
    }

    private function demand(StageModel $model, ?Breath $breath): FuelDemand
    {
        $wet = array_values(array_filter(array_column($model->nitrous(), 1), fn (AddedPower $window): bool => $window->wet));

        $atCrank = fn (AddedPower $window): AddedPower => new AddedPower($window->from, $window->to, $window->power->scaled($this->losses[0]->toCrank(1.0)));

        return new FuelDemand($this->load($model), $model->build->fuel->blend, $this->drive($breath), array_map($atCrank, $wet));
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

    /** @return array<string, float> by component, what the car as it is known burned more than that should give */
    private function raised(): array
    {
        return $this->raised ??= $this->outgrown();
    }

    /** @return array<string, float> by component of the car as it is known */
    private function outgrown(): array
    {
        $likely = ($this->likely)($this->start);
        $breath = $this->needsAir($this->start) ? $this->breathing->of($this->start, $likely) : null;
        $demand = $this->demand($this->start, $breath);
        $boost = $breath === null ? null : new BoostByPower($breath, $this->losses[0]);
        $raised = [];
        foreach ($this->start->hardware->fuel as $component) {
            $most = 1.0;
            foreach ($likely->grid->rpms as $i => $rpm) {
                $crank = $this->losses[0]->toCrank($likely->engine[$i]);
                $flow = $component->supply->edge($rpm, $boost === null ? 0.0 : $boost->along($rpm)($crank), $this->start->build->fuel->blend);
                $most = max($most, ($crank + $demand->besides($rpm, $component->supply->feeds())) * $demand->perWatt($rpm) / max(1e-9, $flow));
            }
            $raised[$this->start->nameOf($component)] = $most;
        }

        return array_filter($raised, fn (float $more): bool => $more > 1.0);
    }
}
