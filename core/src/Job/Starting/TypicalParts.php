<?php

namespace Pebblerun\Core\Job\Starting;

use Pebblerun\Core\Units\UnitSystem;

/**
 * What parts of a slot usually give and how long they take to fit, scaled from a car of the kind to the stock car at hand: what a new
 * part can begin with. Cars and figures are those of the shop's method and its orders of magnitude; blown engines after the natural V8.
 */
final class TypicalParts
{
    /** Wheel power in hp and wheel torque in lb-ft of the car that the figures are for. */
    private const OF = ['turbo' => [214.0, 225.0], 'natural' => [170.0, 150.0], 'blown' => [330.0, 310.0], 'diesel' => [150.0, 310.0], 'single' => [6.2, 9.6]];

    /** By slot: low, likely and high of power in hp and of torque in lb-ft, and hours. No gain: hours alone. */
    private const PARTS = [
        'turbo' => [
            'map' => [[25, 38, 50], [35, 55, 75], 3.0], 'filter' => [[0, 1, 3], [0, 1, 3], 0.2], 'inlet-pipe' => [[2, 4, 8], [1, 3, 7], 1.2],
            'turbo' => [[40, 65, 95], [-10, 20, 50], 10.0], 'intercooler' => [[3, 8, 14], [2, 7, 14], 5.0], 'charge-pipe' => [[0, 1, 4], [0, 1, 4], 1.2],
            'downpipe' => [[6, 12, 20], [8, 14, 24], 2.5], 'cat-back' => [[1, 4, 8], [1, 4, 8], 1.5],
            'low-pump' => 1.5, 'high-pump' => 2.5, 'injectors' => 3.0, 'plugs' => 0.6, 'clutch' => 6.0, 'boost-control' => 0.8, 'brakes' => 2.0, 'rods' => 22.0, 'pistons' => 22.0, 'springs' => 9.0,
        ],
        'natural' => [
            'map' => [[3, 7, 12], [4, 8, 12], 3.0], 'filter' => [[0, 1, 2], [0, 1, 2], 0.2], 'inlet-pipe' => [[1, 4, 7], [-2, 2, 5], 0.8], 'throttle' => [[0, 1, 4], [-1, 0, 2], 1.0],
            'manifold' => [[2, 6, 12], [-6, -1, 4], 4.0], 'cams' => [[6, 14, 24], [-8, -2, 6], 9.0], 'head' => [[4, 10, 18], [0, 5, 10], 20.0], 'pistons' => [[4, 7, 11], [4, 7, 10], 22.0],
            'header' => [[3, 8, 14], [2, 6, 10], 5.0], 'cat-back' => [[1, 3, 6], [0, 2, 5], 1.5],
            'low-pump' => 1.5, 'injectors' => 1.5, 'plugs' => 0.6, 'clutch' => 6.0, 'brakes' => 2.0, 'rods' => 22.0, 'springs' => 5.0,
        ],
        'blown' => [
            'map' => [[8, 14, 22], [8, 14, 22], 3.0], 'filter' => [[0, 2, 4], [0, 2, 4], 0.2], 'inlet-pipe' => [[3, 7, 12], [2, 6, 10], 1.0], 'throttle' => [[0, 3, 6], [0, 1, 4], 1.0],
            'cams' => [[15, 28, 42], [-5, 8, 18], 18.0], 'header' => [[12, 22, 32], [10, 18, 26], 14.0], 'cat-back' => [[3, 6, 11], [2, 6, 10], 2.0],
            'low-pump' => 2.0, 'injectors' => 2.5, 'plugs' => 1.0, 'clutch' => 7.0, 'brakes' => 2.0, 'rods' => 30.0, 'pistons' => 30.0, 'springs' => 8.0, 'intercooler' => 6.0, 'pulley' => 3.0,
        ],
        'diesel' => [
            'map' => [[25, 38, 50], [50, 85, 120], 3.0], 'filter' => [[0, 1, 2], [0, 2, 5], 0.2], 'inlet-pipe' => [[0, 2, 5], [0, 4, 10], 1.0], 'manifold' => [[0, 3, 10], [0, 6, 20], 5.0],
            'turbo' => [[20, 35, 50], [0, 30, 70], 9.0], 'intercooler' => [[2, 5, 10], [3, 9, 18], 3.0], 'charge-pipe' => [[0, 1, 3], [0, 2, 6], 1.5],
            'downpipe' => [[2, 4, 8], [4, 9, 16], 4.0], 'filter-back' => [[0, 2, 5], [0, 4, 9], 2.0], 'injectors' => [[10, 25, 40], [15, 40, 80], 5.0], 'high-pump' => [[0, 8, 20], [0, 15, 35], 6.0],
            'low-pump' => 1.5, 'clutch' => 7.0, 'gearbox' => 6.0, 'brakes' => 2.0,
        ],
        'single' => [
            'carburettor' => [[0.4, 0.8, 1.3], [0.5, 0.9, 1.4], 0.5], 'pipe' => [[0.2, 0.5, 0.9], [0.2, 0.5, 0.9], 0.6], 'governor' => [[0.3, 0.7, 1.1], [0, 0, 0], 1.0],
            'springs' => [[0.1, 0.3, 0.6], [0, 0, 0], 1.0], 'cams' => [[0.4, 0.9, 1.6], [0, 0.5, 1.0], 2.5], 'pistons' => [[0.2, 0.4, 0.7], [0.3, 0.6, 0.9], 1.5],
            'filter' => 0.3, 'rods' => 3.0, 'clutch' => 0.8, 'brakes' => 1.0, 'low-pump' => 0.5,
        ],
    ];

    /**
     * @param  float  $power  W of the stock car at its wheels
     * @param  float  $torque  N·m of the stock car at its wheels
     * @return ?array{gain: ?array{power: list<float>, torque: list<float>}, hours: float} in the shop's units; null where nothing is usual
     */
    public static function of(EngineKind $kind, string $slot, float $power, float $torque, UnitSystem $units): ?array
    {
        $usual = self::PARTS[$kind->value][$slot] ?? null;
        if (! is_array($usual)) {
            return $usual === null ? null : ['gain' => null, 'hours' => $usual];
        }
        [$ofPower, $ofTorque] = self::OF[$kind->value];

        return [
            'gain' => ['power' => self::scaled($usual[0], $power / $units->power->watts() / $ofPower), 'torque' => self::scaled($usual[1], $torque / $units->torque->newtonMetres() / $ofTorque)],
            'hours' => $usual[2],
        ];
    }

    /**
     * @param  array{float|int, float|int, float|int}  $range
     * @return list<float>
     */
    private static function scaled(array $range, float $share): array
    {
        return array_map(fn (float|int $value): float => self::rounded($value * $share), $range);
    }

    /** To whole units, and to tenths below five. */
    private static function rounded(float $value): float
    {
        return round($value, abs($value) < 5.0 ? 1 : 0) + 0.0;
    }
}
