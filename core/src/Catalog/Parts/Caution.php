<?php

namespace Pebblerun\Core\Catalog\Parts;

/** The usual cautions, shown where the work can hurt someone. They add to local codes and licensed practice, never replace them. */
enum Caution: string
{
    /** Engine bay electrics. */
    case Battery = 'battery';
    /** Exhaust and turbo work. */
    case Hot = 'hot';
    /** Opening the fuel system. */
    case FuelPressure = 'fuel-pressure';
    /** Ethanol or methanol. */
    case Alcohol = 'alcohol';
    /** Nitrous oxide. */
    case Nitrous = 'nitrous';
    /** Work under the car. */
    case Lifting = 'lifting';
    /** Cutting or grinding. */
    case Cutting = 'cutting';
    /** A pull on the dyno. */
    case Dyno = 'dyno';
    /** Emission parts. */
    case Emissions = 'emissions';
    /** More power than brakes, tyres and cooling were made for. */
    case Brakes = 'brakes';
    /** Limits of speed. */
    case Governor = 'governor';

    public function text(): string
    {
        return match ($this) {
            self::Battery => 'Disconnect the battery first; both, where there are two.',
            self::Hot => 'Exhaust and turbo burn long after the engine stops: let them cool.',
            self::FuelPressure => 'Depressurise the fuel system; no flame near, extinguisher at hand.',
            self::Alcohol => 'Ethanol and methanol are poisonous and burn with an invisible flame: compatible hoses and seals only.',
            self::Nitrous => 'Bottle upright and secured, bay ventilated, never on a lean or unmapped engine.',
            self::Lifting => 'Stands, never a jack alone; eye and hearing protection.',
            self::Cutting => 'Cutting and grinding: sparks. Clear fuel and vapour away, wear eye protection.',
            self::Dyno => 'On the dyno: straps checked, nobody beside turning wheels, exhaust drawn off.',
            self::Emissions => 'Emission parts, noise and inspection follow local rules: check them with a licensed shop.',
            self::Brakes => 'Brakes, tyres and cooling must match the new power.',
            self::Governor => 'Never defeat a governor or speed limiter without guarding what it protected.',
        };
    }

    public static function promise(): string
    {
        return 'An estimate is not a promise. Test on the road only within the law, otherwise on a closed course. Local codes and licensed practice come first.';
    }
}
