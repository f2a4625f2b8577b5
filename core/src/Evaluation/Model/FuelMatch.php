<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Platform\Combustion;
use Pebblerun\Core\Physics\Fuel\FuelKind;

/** Whether the fuel in the tank is what the map in the car was written for; the factory's map has needs of its own. */
final readonly class FuelMatch
{
    /** Octane points that a map can be short of; each takes so much power. More, and it knocks. */
    private const BEARABLE = 2.0;

    private const PER_POINT = 0.015;

    /**
     * @param  float  $short  RON below what the map was written for, 0 or more
     * @param  bool  $lean  there is more ethanol in it than the map can follow
     * @param  float  $follows  percent of ethanol that it can
     */
    private function __construct(public float $short, public bool $lean, public float $follows) {}

    public static function of(Build $build): self
    {
        $combustion = $build->combustion();
        $map = $build->map()?->map;
        $written = $map === null ? null : ($build->mappedFor ?? $build->fuel);
        if ($build->fuel->kind === FuelKind::Diesel) {
            return new self(0.0, false, 0.0);
        }
        if ($map !== null && $map->flex) {
            $follows = $map->ethanol ?? 100.0;

            return new self(0.0, $build->fuel->ethanol->likely > $follows, $follows);
        }
        $needs = $written->octane ?? $combustion->octane ?? 0.0;
        $follows = $map === null ? $combustion->ethanol : max($map->ethanol ?? Combustion::ETHANOL, $written->ethanol->high ?? 0.0);

        return new self(max(0.0, $needs - $build->fuel->octane), $build->fuel->ethanol->likely > $follows, $follows);
    }

    public function knocks(): bool
    {
        return $this->short > self::BEARABLE;
    }

    /** Whether the car must not see full load on it. */
    public function isGated(): bool
    {
        return $this->lean || $this->knocks();
    }

    /** What is left of the power: 1.5 % less for each point. */
    public function share(): float
    {
        return 1.0 - self::PER_POINT * min(self::BEARABLE, $this->short);
    }
}
