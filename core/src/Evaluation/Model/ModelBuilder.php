<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\AmbiguousCase;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Physics\Fuel\OctaneLadder;
use Pebblerun\Core\Units\Range;

/** Resolves a build's conditions: which gain cases, ceilings and limits hold for it, and what stands in the way of air and fuel. */
final readonly class ModelBuilder
{
    private GainFinder $gains;

    public function __construct(private Platform $platform)
    {
        $this->gains = new GainFinder($platform);
    }

    /** @throws AmbiguousCase when two gain cases of one part apply equally. */
    public function of(Build $build): StageModel
    {
        $spools = $added = [];
        $ceilings = self::holding($this->platform->ceilings, $build->situation);
        $revLimit = null;
        foreach ($build->parts as $part) {
            $effects = $part->effects;
            if ($effects->spool !== null) {
                $spools[] = [$part->key, $effects->spool];
            }
            foreach ($effects->added as $window) {
                $added[] = [$part->key, $window];
            }
            if ($effects->ceilings !== []) {
                array_push($ceilings, ...self::holding($effects->ceilings, $build->situation));
            }
            $revLimit = $effects->revLimit === null ? $revLimit : max($effects->revLimit, $revLimit ?? 0.0);
        }
        $gains = $this->gains->of($build);

        return new StageModel(
            $build, $gains, $spools, $added, $ceilings, $this->limits($build),
            $revLimit ?? $this->platform->engine->revLimit, $this->hardware($gains, $build), $fuel = FuelMatch::of($build),
            timing: self::timing($gains[0] ?? null, $fuel, $build),
        );
    }

    /**
     * What the octane does that a custom map was written for, against the one its gain was measured on.
     *
     * @param  ?Gain  $first  the map's, where it has one
     */
    private static function timing(?Gain $first, FuelMatch $fuel, Build $build): float
    {
        return $first?->part->map?->kind->isCustom() === true && $first->case->on->octane !== null && $fuel->octane !== null && ! $fuel->isGated()
            ? OctaneLadder::share($fuel->octane - $first->case->on->octane, $build->isBoosted())
            : 1.0;
    }

    /**
     * @param  list<Ceiling>  $ceilings
     * @return list<Ceiling>
     */
    private static function holding(array $ceilings, Situation $situation): array
    {
        $holding = [];
        foreach ($ceilings as $ceiling) {
            if ($ceiling->when === null || $ceiling->when->holds($situation)) {
                $holding[] = $ceiling;
            }
        }

        return $holding;
    }

    /**
     * Each component's own: a part replaces what it brings itself, of its place and quantity, and what it names. Nothing vanishes
     * because something else was fitted.
     *
     * @return list<Limit>
     */
    private function limits(Build $build): array
    {
        $own = $replaced = $named = [];
        foreach ($build->parts as $part) {
            foreach ($part->effects->limits as $limit) {
                $own[] = $limit;
                $replaced["{$limit->slot}/{$limit->quantity->value}"] = true;
            }
            foreach ($part->effects->replaces as $key) {
                $named[$key] = true;
            }
        }
        $stock = $own === [] && $named === [] ? $this->platform->limits : array_filter(
            $this->platform->limits,
            fn (Limit $limit): bool => ! isset($replaced["{$limit->slot}/{$limit->quantity->value}"]) && ! isset($named[$limit->key]),
        );

        return array_values(array_filter([...$stock, ...$own], fn (Limit $limit): bool => $limit->when === null || $limit->when->holds($build->situation)));
    }

    /** @param  list<Gain>  $gains */
    private function hardware(array $gains, Build $build): Hardware
    {
        $compressor = $this->platform->air?->compressor;
        $cooler = $this->platform->air?->cooler;
        $belt = $this->platform->engine->aspiration === Aspiration::Blower;
        $fuel = array_column($this->platform->fuelSystem, null, 'key');
        $charge = $compression = $spray = 0.0;
        $driven = 1.0;
        $cooling = Range::exact(0.0);
        $names = [];
        foreach ($build->parts as $part) {
            $effects = $part->effects;
            [$compressor, $belt] = $effects->compressor === null ? [$compressor, $belt] : [$effects->compressor, $effects->belt];
            $cooler = $effects->cooler ?? $cooler;
            $charge += $effects->charge->likely ?? 0.0;
            $compression += $effects->compression;
            $spray += $effects->spray;
            $driven *= $effects->driveRatio;
            $cooling = $effects->exhaust === null ? $cooling : $cooling->plus($effects->exhaust);
            $fuel = self::supplied($fuel, $effects);
            if (self::isHardware($effects)) {
                $names[] = $part->key;
            }
        }
        $pressure = $measured = $stated = null;
        $exhaust = $build->map() === null ? $this->platform->engine->exhaust : null;
        foreach ($gains as $gain) {
            $pressure ??= $gain->case->air->pressure;
            if ($gain->case->air->boost !== null) {
                $onDyno = $gain->case->source->evidence === Evidence::ShopDyno || $gain->case->source->evidence === Evidence::OtherDyno;
                $measured ??= $onDyno ? $gain->case->air->boost : null;
                $stated ??= $gain->case->air->boost;
            }
            $exhaust ??= $gain->part->map === null ? null : $gain->case->air->exhaust;
        }

        return new Hardware($compressor, $belt, $cooler, $pressure, $charge, $compression, $measured, $stated, $exhaust?->plus($cooling), $cooling, $fuel, $spray, $driven, implode(' ', $names));
    }

    /**
     * A pump or a set of injectors replaces the one of its kind in its slot; what a part names goes as well.
     *
     * @param  array<string, FuelComponent>  $fuel  by key
     * @return array<string, FuelComponent>
     */
    private static function supplied(array $fuel, Effects $effects): array
    {
        if ($effects->supplies === [] && $effects->replaces === []) {
            return $fuel;
        }
        $own = array_column($effects->supplies, null, 'key');
        $place = fn (FuelComponent $component): string => "{$component->slot}/{$component->kind}";
        $places = array_map($place, $effects->supplies);
        $stays = fn (FuelComponent $component): bool => ! in_array($place($component), $places, true) && ! in_array($component->key, $effects->replaces, true);

        return [...array_filter($fuel, fn (FuelComponent $component): bool => isset($own[$component->key]) || $stays($component)), ...$own];
    }

    private static function isHardware(Effects $effects): bool
    {
        return $effects->compressor !== null || $effects->cooler !== null || $effects->supplies !== [] || $effects->replaces !== [] || $effects->charge !== null || $effects->compression !== 0.0 || $effects->spray > 0.0 || $effects->driveRatio !== 1.0;
    }
}
