<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Conditions\MapKind;
use Pebblerun\Core\Catalog\Parts\FuelPoint;
use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\OctaneLadder;

/** Whether the fuel in the tank is what the map in the car was written for; the factory's map has needs of its own. */
final readonly class FuelMatch
{
    /** Percent of ethanol of the pump fuel that factory and off-the-shelf maps are written for. */
    private const PUMP = 5.0;

    /** Octane points that knock control can take back, and what is borne without it. */
    private const BEARABLE = OctaneLadder::REACHES;

    private const BEARABLE_UNCONTROLLED = 1.0;

    /** Of the mixture, that a control follows where nothing is stated. */
    private const FOLLOWS = 0.06;

    /** Of what it follows, from where on it is noted. */
    private const NOTED = 0.5;

    /** Power lost for each share that it is richer than can be followed; at so many times that, it floods. */
    private const RICH = 0.5;

    private const FLOODS = 3.0;

    private const EXACT = 1e-9;

    /**
     * @param  ?float  $octane  RON that the map in the car was written for; null where nobody says
     * @param  float  $short  RON that the tank has less, 0 or more
     * @param  float  $shift  of the mixture: leaner above 0, richer below
     * @param  float  $follows  of it that the control follows
     * @param  float  $bearable  octane points that it can be short of
     */
    private function __construct(public ?float $octane, public float $short, public float $shift, public float $follows, private float $bearable) {}

    public static function of(Build $build): self
    {
        $combustion = $build->combustion();
        if ($build->fuel->kind === FuelKind::Diesel) {
            return new self(null, 0.0, 0.0, self::FOLLOWS, self::BEARABLE);
        }
        $written = self::written($build);
        $map = $build->map()?->map;
        $content = (float) $written->ethanol;
        $stated = $map === null ? $combustion->ethanol : ($map->flex ? null : $map->ethanol);
        $follows = $stated === null ? 0.0 : self::shift($content, $stated);

        return new self(
            $written->octane, max(0.0, ($written->octane ?? 0.0) - $build->fuel->octane), self::shift($content, $build->fuel->ethanol->likely),
            $follows > 0.0 ? $follows : self::FOLLOWS, $combustion->knockControl ? self::BEARABLE : self::BEARABLE_UNCONTROLLED,
        );
    }

    /** AFR(written for)/AFR(tank) − 1: from 5 to 24 % of ethanol 8.50 % leaner. */
    public static function shift(float $written, float $tank): float
    {
        return Blend::petrol($written)->stoichiometric / Blend::petrol($tank)->stoichiometric - 1.0;
    }

    public function knocks(): bool
    {
        return $this->short > $this->bearable + self::EXACT;
    }

    public function isLean(): bool
    {
        return $this->shift > $this->follows + self::EXACT;
    }

    public function floods(): bool
    {
        return -$this->shift > self::FLOODS * $this->follows + self::EXACT;
    }

    /** Whether the car must not see full load on it. */
    public function isGated(): bool
    {
        return $this->isLean() || $this->floods() || $this->knocks();
    }

    /** Whether it is worth a word. */
    public function isNoted(): bool
    {
        return $this->short > self::EXACT || abs($this->shift) > self::NOTED * $this->follows + self::EXACT;
    }

    /** What is left of the power: 1 % less for each octane point, 0.5 % for each further per cent that it is too rich. */
    public function share(): float
    {
        return (1.0 - OctaneLadder::BELOW * min(OctaneLadder::REACHES, $this->short)) * (1.0 - self::RICH * max(0.0, -$this->shift - $this->follows));
    }

    /**
     * Remote and dyno maps are written for the fuel of the stage in which they were made; one with a sensor for what it was made on at
     * each content that the sensor covers; off-the-shelf maps for what they say, else the platform's pump fuel, as the factory's.
     */
    private static function written(Build $build): FuelPoint
    {
        $map = $build->map();
        $pump = new FuelPoint(self::PUMP, $build->combustion()->octane);
        if ($map?->map === null) {
            return $pump;
        }
        if ($map->map->kind === MapKind::OffTheShelf) {
            $said = $map->map->writtenFor;

            return $said === null ? $pump : new FuelPoint($said->ethanol ?? $pump->ethanol, $said->octane ?? $pump->octane);
        }
        $made = $build->mappedFor ?? $build->fuel;
        if (! $map->map->flex) {
            return new FuelPoint($made->ethanol->likely, $made->octane);
        }
        $content = min($build->fuel->ethanol->likely, $map->map->ethanol ?? 100.0);

        return new FuelPoint($content, $made->octane + FlexOctane::of($map)->between($made->ethanol->likely, $content));
    }
}
