<?php

namespace Pebblerun\Core\Physics\Air;

use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\FuelKind;

/** A platform's compressor and stock cooler on a warm day. */
final readonly class AirSide
{
    /** 25 °C. */
    private const AMBIENT = 298.15;

    /** Air for a kilogram of fuel at full load: rich petrol, lean diesel. */
    private const PETROL_AIR = 14.7 * 0.87;

    private const DIESEL_AIR = 14.5 * 1.35;

    public function __construct(public Compressor $compressor, public Cooler $cooler) {}

    /**
     * @param  ?Cooler  $fitted  in place of the stock one
     * @param  float  $boost  Pa over ambient at the power peak
     * @param  float  $fuelFlow  kg/s at the power peak
     */
    public function soak(?Cooler $fitted, float $boost, float $fuelFlow, Fuel $fuel): Soak
    {
        $air = $fuelFlow * ($fuel->kind === FuelKind::Diesel ? self::DIESEL_AIR : self::PETROL_AIR / Blend::of($fuel)->perReference($fuel->kind));
        $hot = $this->compressor->outlet(self::AMBIENT, Compressor::ratioOf($boost));

        return self::through($fitted ?? $this->cooler, $hot, $air);
    }

    /** The same air through another cooler. */
    public static function again(Soak $soak, Cooler $other): Soak
    {
        return self::through($other, $soak->hot, $soak->air);
    }

    private static function through(Cooler $cooler, float $hot, float $air): Soak
    {
        $cores = $cooler->soak(self::AMBIENT, $hot, $air, new Pulls);

        return new Soak($cooler->outlet($hot, $cores[0]), $cooler->outlet($hot, $cores[count($cores) - 1]), $hot, $air);
    }
}
