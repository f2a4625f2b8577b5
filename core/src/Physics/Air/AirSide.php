<?php

namespace Pebblerun\Core\Physics\Air;

use Pebblerun\Core\Physics\Fuel\Blend;
use Pebblerun\Core\Physics\Fuel\FuelKind;

/** An engine's compressor and stock charge cooler. */
final readonly class AirSide
{
    /** Air for a kilogram of fuel at full load: rich petrol, lean diesel. */
    private const PETROL_AIR = 14.7 * 0.87;

    private const DIESEL_AIR = 14.5 * 1.35;

    public function __construct(public Compressor $compressor, public Cooler $cooler) {}

    /**
     * @param  ?Cooler  $fitted  in place of the stock one
     * @param  float  $boost  Pa over ambient at the power peak
     * @param  float  $fuelFlow  kg/s at the power peak
     */
    public function soak(Ambient $ambient, ?Cooler $fitted, float $boost, float $fuelFlow, Blend $blend): Soak
    {
        $air = $fuelFlow * ($blend->kind === FuelKind::Diesel ? self::DIESEL_AIR : self::PETROL_AIR / $blend->perReference());
        $hot = $this->compressor->outlet($ambient->kelvin, 1.0 + $boost / $ambient->pressure);

        return self::through($fitted ?? $this->cooler, $ambient->kelvin, $hot, $air);
    }

    /** The same air through another cooler. */
    public static function again(Soak $soak, Cooler $other): Soak
    {
        return self::through($other, $soak->ambient, $soak->hot, $soak->air);
    }

    private static function through(Cooler $cooler, float $ambient, float $hot, float $air): Soak
    {
        $cores = $cooler->soak($ambient, $hot, $air, new Pulls);

        return new Soak($cooler->outlet($hot, $cores[0]), $cooler->outlet($hot, $cores[count($cores) - 1]), $hot, $air, $ambient);
    }
}
