<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\FullLoad;

/** What fuel a build asks: for what the crank gives, and for what turns its blower. */
final readonly class FuelDemand
{
    /** Equal ones have equal names. */
    public string $name;

    /**
     * @param  list<array{float, float}>  $drive  rpm and W that a belt-driven compressor takes; none without one
     * @param  list<AddedPower>  $wet  power at the crank whose fuel comes through a jet of its own: the feed pump alone gives it
     */
    public function __construct(private FullLoad $load, private Blend $blend, private array $drive, private array $wet = [])
    {
        $this->name = hash('xxh3', serialize([$load->consumption, $blend->density, $drive, array_map(fn (AddedPower $window): array => [$window->from, $window->to, $window->power->name()], $wet)]));
    }

    /** kg/s for each W of the crank and the drive. */
    public function perWatt(float $rpm): float
    {
        return $this->load->fuelPerJoule($rpm, $this->blend);
    }

    /**
     * What a component must give fuel for besides what the crank gives, or need not: W.
     *
     * @param  bool  $feeds  it stands before all others
     */
    public function besides(float $rpm, bool $feeds): float
    {
        return $this->drive($rpm) - ($feeds ? 0.0 : array_sum(array_map(fn (AddedPower $window): float => $window->power->likely * $window->at($rpm), $this->wet)));
    }

    private function drive(float $rpm): float
    {
        $before = $this->drive[0] ?? [0.0, 0.0];
        foreach ($this->drive as $point) {
            if ($rpm <= $point[0]) {
                return $point[0] === $before[0] ? $point[1] : $before[1] + ($point[1] - $before[1]) * ($rpm - $before[0]) / ($point[0] - $before[0]);
            }
            $before = $point;
        }

        return $before[1];
    }
}
