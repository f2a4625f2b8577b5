<?php

namespace Pebblerun\Core\Catalog\Platform;

use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\FuelComponent;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Physics\Air\AirSide;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Physics\Dyno\Frame;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Physics\Fuel\PumpFuel;
use Pebblerun\Core\Units\Range;

/** An engine platform: slots in gas-path order, families, limits, ceilings and the stock car's wheel curve. */
final readonly class Platform
{
    /** Nothing bolted on lifts a rev limit above this share of the factory's. */
    public const HIGHER_REVS = 1.5;

    /** What a claim may leave to be believed: 10 to 28 % lost. */
    private const LEAST_LOST = 0.10;

    private const MOST_LOST = 0.28;

    /**
     * @param  Curve  $baseline  wheel torque of the stock car in the shop's frame
     * @param  bool  $boosted  turbo or blower from the factory
     * @param  float  $revLimit  rpm
     * @param  float  $displacement  m³
     * @param  array<string, string>  $lanes  names by key, in gas-path order
     * @param  array<string, Slot>  $slots  by key, in gas-path order
     * @param  array<string, Family>  $families  by key
     * @param  list<Limit>  $limits
     * @param  list<Ceiling>  $ceilings
     * @param  bool  $direct  direct injection
     * @param  ?AirSide  $air  compressor and stock cooler; null where nothing is known of them
     * @param  ?Boost  $boost  under the factory map; null where it is not stated
     * @param  ?float  $mass  kg with driver; null where it is not stated
     * @param  Combustion  $combustion  under the factory's map
     * @param  list<FuelComponent>  $fuelSystem
     * @param  ?float  $dragArea  m², drag coefficient times frontal area; null where it is not stated
     * @param  ?float  $claimed  W at the crank that the factory claims
     * @param  Gearbox  $gearbox  that the baseline was read with
     * @param  ?Range  $exhaust  K before the turbine at full load under the factory map; null where it is not stated
     * @param  BaselineSource  $source  where the baseline was read
     * @param  list<Variant>  $variants  what cars of one model year differ by; the first is the usual one
     */
    public function __construct(
        public string $key,
        public string $name,
        public Drive $drive,
        public Aspiration $aspiration,
        public FuelKind $fuel,
        public int $firstYear,
        public int $lastYear,
        public float $displacement,
        public bool $boosted,
        public float $revLimit,
        public Curve $baseline,
        public array $lanes,
        public array $slots,
        public array $families,
        public array $limits,
        public array $ceilings,
        public bool $direct = false,
        public ?Boost $boost = null,
        public ?AirSide $air = null,
        public ?float $mass = null,
        public ?Range $exhaust = null,
        public Combustion $combustion = new Combustion,
        public array $fuelSystem = [],
        public ?float $dragArea = null,
        public ?float $claimed = null,
        public Gearbox $gearbox = Gearbox::Manual,
        public BaselineSource $source = new BaselineSource(new Frame),
        public array $variants = [],
    ) {}

    /** Share lost between crank and wheels on a kind of dyno; another gearbox loses what it loses more or less. */
    public function lossShare(Gearbox $gearbox, UsualLoss $usual): float
    {
        return self::lost($this->claimed, $this->baseline, $this->drive, $this->gearbox, $usual) + Loss::gearboxShare($gearbox) - Loss::gearboxShare($this->gearbox);
    }

    /** Of the car that the baseline was read on. Where the factory's claim is known and what it leaves is believable, that is it; else the usual. */
    public static function lost(?float $claimed, Curve $baseline, Drive $drive, Gearbox $gearbox, UsualLoss $usual): float
    {
        $share = $claimed === null ? 0.0 : 1.0 - $baseline->peakPower()->value / $claimed;

        return $share >= self::LEAST_LOST && $share <= self::MOST_LOST ? $share : $usual->share($drive, $gearbox);
    }

    /** What the stock car burns, for pumps and injectors that are told by the power they are good for. */
    public function pumpFuel(UsualLoss $usual): PumpFuel
    {
        return PumpFuel::of($this->fuel, $this->boosted, $this->direct, $this->baseline, $this->lossShare($this->gearbox, $usual));
    }

    /** @return list<Variant> there were of a model year */
    public function variantsOf(int $year): array
    {
        return array_values(array_filter($this->variants, fn (Variant $variant): bool => $variant->isOf($year)));
    }

    /** rpm; no plan for this engine goes beyond it */
    public function highestSpeed(): float
    {
        return self::HIGHER_REVS * $this->revLimit;
    }
}
