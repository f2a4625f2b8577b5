<?php

namespace Pebblerun\Core\Catalog\Platform;

/** How the gains of a family move the air that an engine gets. */
enum AirRole: string
{
    /** What a map gives is partly timing. */
    case Map = 'map';
    case Induction = 'induction';
    case Intake = 'intake';
    case Charge = 'charge';
    case Head = 'head';
    case Cams = 'cams';
    case Exhaust = 'exhaust';
    /** Injectors and pumps of a diesel: more fuel in the same air. */
    case Fuel = 'fuel';
    /** Ignition, compression, driveline: the same air does more. */
    case None = 'none';

    /** Whether what it gives comes from more air, all of it. */
    public function isFlow(): bool
    {
        return match ($this) {
            self::Induction, self::Intake, self::Charge, self::Head, self::Cams, self::Exhaust => true,
            self::Map, self::Fuel, self::None => false,
        };
    }

    /** Whether the engine takes the same air at less pressure in the manifold. */
    public function isEasier(): bool
    {
        return $this === self::Head || $this === self::Cams || $this === self::Exhaust;
    }
}
