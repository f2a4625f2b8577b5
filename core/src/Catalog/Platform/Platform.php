<?php

namespace Pebblerun\Core\Catalog\Platform;

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
use Pebblerun\Core\Physics\Fuel\FullLoad;
use Pebblerun\Core\Physics\Fuel\PumpFuel;

/** An engine platform: slots in gas-path order, families, limits, ceilings and the stock car's wheel curve. */
final readonly class Platform
{
    /** Nothing bolted on lifts a rev limit above this share of the factory's. */
    public const HIGHER_REVS = 1.5;

    /** What a claim may leave to be believed: 10 to 28 % lost. */
    private const LEAST_LOST = 0.10;

    private const MOST_LOST = 0.28;

    /**
     * @param  Curve  $baseline  N·m at the wheels of the stock car
     * @param  array<string, string>  $lanes  names by key, in gas-path order
     * @param  array<string, Slot>  $slots  by key, in gas-path order
     * @param  array<string, Family>  $families  by key
     * @param  list<Limit>  $limits
     * @param  list<Ceiling>  $ceilings
     * @param  ?AirSide  $air  compressor and stock cooler; null where nothing is known of them
     * @param  list<FuelComponent>  $fuelSystem
     * @param  BaselineSource  $source  where the baseline was read
     * @param  list<Variant>  $variants  what cars of one model year differ by; the first is the usual one
     */
    public function __construct(
        public string $key,
        public string $name,
        public int $firstYear,
        public int $lastYear,
        public PlatformEngine $engine,
        public PlatformBody $body,
        public Curve $baseline,
        public array $lanes,
        public array $slots,
        public array $families,
        public array $limits,
        public array $ceilings,
        public ?AirSide $air = null,
        public array $fuelSystem = [],
        public BaselineSource $source = new BaselineSource(new Frame),
        public array $variants = [],
    ) {}

    /** Share lost between crank and wheels on a kind of dyno; another gearbox loses what it loses more or less. */
    public function lossShare(Gearbox $gearbox, UsualLoss $usual): float
    {
        return self::lost($this->engine->claimed, $this->baseline, $this->body->drive, $this->body->gearbox, $usual) + Loss::gearboxShare($gearbox) - Loss::gearboxShare($this->body->gearbox);
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
        return PumpFuel::of($this->engine->fuel, $this->engine->boosted, $this->engine->direct, $this->baseline, $this->lossShare($this->body->gearbox, $usual));
    }

    /** @return list<Variant> there were of a model year */
    public function variantsOf(int $year): array
    {
        return array_values(array_filter($this->variants, fn (Variant $variant): bool => $variant->isOf($year)));
    }

    /** What the stock engine burns and breathes at full load. */
    public function fullLoad(): FullLoad
    {
        return new FullLoad($this->engine->fuel, $this->engine->boosted, $this->engine->direct, $this->baseline->fullTorqueFrom(), $this->baseline->peakPower()->rpm, $this->engine->combustion->lambda);
    }

    /** rpm; no plan for this engine goes beyond it */
    public function highestSpeed(): float
    {
        return self::HIGHER_REVS * $this->engine->revLimit;
    }
}
