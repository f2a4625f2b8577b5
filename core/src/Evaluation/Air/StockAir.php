<?php

namespace Pebblerun\Core\Evaluation\Air;

use Pebblerun\Core\Catalog\Platform\Boost;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Physics\Air\Ambient;
use Pebblerun\Core\Physics\Air\Charge;
use Pebblerun\Core\Physics\Air\ChargePath;
use Pebblerun\Core\Physics\Air\Compressor;
use Pebblerun\Core\Physics\Air\Cooler;
use Pebblerun\Core\Physics\Air\Filling;
use Pebblerun\Core\Physics\Fuel\FullLoad;
use Pebblerun\Core\Units\Rpm;

/** What the stock car breathes at full load on the standard day. */
final class StockAir
{
    public readonly FullLoad $load;

    public readonly float $torqueRpm;

    public readonly float $plateauEnd;

    public readonly float $powerRpm;

    /** kg/s at the power peak. */
    public readonly float $fullFlow;

    /** Null where nothing is known of what compresses. */
    private readonly ?ChargePath $path;

    /** @var array<int, Charge> by rpm */
    private array $charges = [];

    /** @param  float  $loss  share of the power lost between crank and wheels */
    public function __construct(private readonly Platform $platform, private readonly float $loss)
    {
        $baseline = $platform->baseline;
        $this->torqueRpm = $baseline->fullTorqueFrom();
        $this->plateauEnd = $baseline->plateauEnd();
        $this->powerRpm = $baseline->peakPower()->rpm;
        $this->load = $platform->fullLoad();
        $this->fullFlow = $this->flow($this->powerRpm);
        $air = $platform->air;
        $this->path = $air === null || ($platform->engine->boosted && $platform->engine->boost === null) ? null : new ChargePath(Ambient::standard(), $air->compressor, $air->cooler, $this->fullFlow, $air->inletLoss, $air->coolerLoss);
    }

    /** W at the crank. */
    public function power(float $rpm): float
    {
        return $this->platform->baseline->torqueAt($rpm) * $rpm * Rpm::OMEGA / (1.0 - $this->loss);
    }

    /** kg/s. */
    public function flow(float $rpm): float
    {
        return $this->power($rpm) * $this->load->airPerJoule($rpm);
    }

    /** Pa absolute in the manifold: boost straight from the torque peak to the power peak, growing from none at the first rpm. */
    public function pressure(float $rpm): float
    {
        return Ambient::STANDARD + $this->boost($rpm);
    }

    /** Pa over the outside air. */
    public function boost(float $rpm): float
    {
        $boost = $this->platform->engine->boost;

        return ! $this->platform->engine->boosted || $boost === null ? 0.0 : $this->following($boost, $rpm);
    }

    /** Pa over the outside air at a speed, of a boost that is told at the two peaks. */
    public function following(Boost $boost, float $rpm): float
    {
        $first = $this->platform->baseline->first;
        if ($rpm < $this->torqueRpm) {
            return $boost->atTorque->likely * max(0.0, $rpm - $first) / ($this->torqueRpm - $first);
        }

        return $boost->atTorque->likely + ($boost->atPower->likely - $boost->atTorque->likely) * $this->load->along($rpm);
    }

    /** Whether its charge can be told. */
    public function isKnown(): bool
    {
        return ! $this->platform->engine->boosted || $this->path !== null;
    }

    /** The charge of the stock car; a natural engine breathes the air outside. */
    public function charge(float $rpm): Charge
    {
        return $this->charges[(int) $rpm] ??= $this->platform->engine->boosted && $this->path !== null
            ? $this->path->at($this->pressure($rpm), $this->flow($rpm))
            : new Charge(Ambient::STANDARD, 1.0, Ambient::STANDARD_KELVIN, Ambient::STANDARD_KELVIN, $this->flow($rpm), 0.0);
    }

    /** How well it fills at a speed. */
    public function filling(float $rpm): float
    {
        $charge = $this->charge($rpm);

        return Filling::of($charge->flow, $this->platform->engine->displacement, $rpm, $charge->manifold, $charge->cool);
    }

    /** The way that air takes through other hardware. */
    public function path(Compressor $compressor, ?Cooler $cooler): ChargePath
    {
        $air = $this->platform->air;

        return new ChargePath(Ambient::standard(), $compressor, $cooler, $this->fullFlow, $air->inletLoss ?? ChargePath::INLET_LOSS, $air->coolerLoss ?? ChargePath::COOLER_LOSS);
    }
}
