<?php

namespace Pebblerun\Core\Job\Starting;

use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Units\UnitSystem;

/** What a new platform begins with: slots and families of its kind, a curve sketched from two peaks, and what is typical of such engines. */
final readonly class NewPlatform
{
    private const LOWEST = 1500.0;

    private const BELOW = 0.6;

    /** RON that a factory map needs. */
    private const OCTANE = ['turbo' => 95.0, 'natural' => 95.0, 'blown' => 95.0, 'single' => 90.0];

    /**
     * @param  UnitSystem  $units  of the shop
     * @param  UsualLoss  $loss  on the shop's dyno
     */
    public function __construct(private UnitSystem $units, private UsualLoss $loss) {}

    /**
     * @param  array{key: string, name: string, make: string, model: string, years: array{from: int, to: int}, engine: array{displacement: float|int, cylinders: int, aspiration: string, injection: string, fuel: string}, drive: string, gearbox: string, rev_limit: float, read: string, peaks: array{torque: array{rpm: float, value: float}, power: array{rpm: float, value: float}, redline: float}}  $answers  in the shop's units; its peaks as they were read: at the "wheels", or as the factory claims them at the "crank"
     * @return array<string, mixed> a platform document
     */
    public function of(array $answers): array
    {
        $kind = EngineKind::of($answers['engine']);
        $claimed = $answers['read'] === 'crank';
        $left = 1.0 - $this->loss->share(Drive::from($answers['drive']), Gearbox::from($answers['gearbox']));
        [$power, $torque] = [$answers['peaks']['power'], $answers['peaks']['torque']];
        $wheels = fn (array $peak): array => ['rpm' => $peak['rpm'], 'value' => $claimed ? round($left * $peak['value'], 1) : $peak['value']];
        $crank = fn (array $peak, float $unit): array => [$peak['value'] * $unit / ($claimed ? 1.0 : $left), $peak['rpm']];
        $engine = new StockEngine(
            $kind, $answers['engine']['displacement'] / 1000.0, $answers['engine']['injection'] === 'direct',
            $crank($power, $this->units->power->watts()), $crank($torque, $this->units->torque->newtonMetres()), $answers['rev_limit'],
        );
        $typical = (new TypicalFigures($engine, $wheels($power)['value'], $wheels($torque)['value'], $this->units))->all();

        return [
            ...array_intersect_key($answers, array_flip(['key', 'name', 'make', 'model', 'years', 'drive', 'gearbox', 'rev_limit'])),
            'engine' => [...$answers['engine'], ...($kind === EngineKind::Diesel ? [] : ['octane' => self::OCTANE[$kind->value]])],
            ...($claimed ? ['claimed' => ['power' => $power['value'], 'torque' => $torque['value']]] : []),
            'baseline' => [
                'peaks' => ['lowest_rpm' => self::lowest($torque['rpm']), 'torque' => $wheels($torque), 'power' => $wheels($power), 'redline' => $answers['peaks']['redline']],
                'evidence' => $claimed ? ['kind' => 'typical', 'note' => 'the factory’s claim less what such a driveline loses: measure a stock car'] : ['kind' => 'judgement', 'note' => 'sketched from its two peaks: measure a stock car'],
            ],
            ...NewSlots::of($kind),
            ...$typical,
            'typical' => [...$typical['typical'], ...($kind === EngineKind::Diesel ? [] : ['engine.octane'])],
        ];
    }

    /** From where a pull begins, rpm: well below the torque peak, and never above what cars are pulled from. */
    private static function lowest(float $torqueRpm): float
    {
        return min(self::LOWEST, round(self::BELOW * $torqueRpm, -2));
    }
}
