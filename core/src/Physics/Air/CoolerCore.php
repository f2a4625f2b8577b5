<?php

namespace Pebblerun\Core\Physics\Air;

/**
 * A charge cooler told by its core: kind and size. What such cores do, after coolers whose figures are known: 6 L of bar and plate take
 * 82 % at 0.36 kg/s, store 30 kJ/K and give off 2,800 W/K at 10 m/s; 11 L of tube and fin 85 % at 0.30 kg/s, 28 kJ/K, 1,400 W/K. Water
 * in the circuit stores much more and gives it off through a radiator of its own.
 */
final readonly class CoolerCore
{
    /** Air at which what is typical is stated, kg/s. */
    private const FLOW = 0.36;

    /** L at which the number of transfer units is 1.72 for bar and plate. */
    private const USUAL = 6.0;

    private const UNITS = 1.72;

    private const GROWTH = 0.35;

    /** By kind: share of a bar-and-plate core's transfer, J/K and W/K for each litre, and J/K beside the core. */
    private const KINDS = [
        'bar-and-plate' => [1.0, 4800.0, 460.0, 0.0],
        'tube-and-fin' => [0.85, 2500.0, 130.0, 0.0],
        'water' => [1.15, 6000.0, 450.0, 40_000.0],
    ];

    /**
     * @param  float  $volume  m³ of the core
     */
    public function __construct(public CoolerKind $kind, public float $volume) {}

    /** @return array{float, float, float, float} what is typical of it: ε, J/K of the core, W/K to the outside air, and kg/s at which ε is stated */
    public function typical(): array
    {
        [$share, $stores, $gives, $beside] = self::KINDS[$this->kind->value];
        $litres = 1000.0 * $this->volume;
        $effectiveness = 1.0 - exp(-$share * self::UNITS * ($litres / self::USUAL) ** self::GROWTH);

        return [round($effectiveness, 3), round($stores * $litres + $beside, -2), round($gives * $litres), self::FLOW];
    }
}
