<?php

namespace Pebblerun\Core\Job\Starting;

/** What kind of engine a new platform has: it decides slots, families and what is typical. */
enum EngineKind: string
{
    case Turbo = 'turbo';
    case Natural = 'natural';
    case Blown = 'blown';
    case Diesel = 'diesel';
    case Single = 'single';

    /** L; a single cylinder below it drives a kart or a minibike. */
    private const SMALL = 0.6;

    /** @param  array{displacement: float|int, cylinders: int, aspiration: string, fuel: string, ...}  $engine  as the platform format has it */
    public static function of(array $engine): self
    {
        return match (true) {
            $engine['fuel'] === 'diesel' => self::Diesel,
            $engine['cylinders'] === 1 && $engine['displacement'] < self::SMALL => self::Single,
            $engine['aspiration'] === 'natural' => self::Natural,
            $engine['aspiration'] === 'blower' => self::Blown,
            default => self::Turbo,
        };
    }

    public function boosted(): bool
    {
        return $this === self::Turbo || $this === self::Blown || $this === self::Diesel;
    }

    /**
     * A usual engine of the kind: what an answer begins with, until somebody knows better.
     *
     * @return array{engine: array<string, mixed>, drive: string, gearbox: string, rev_limit: float, power: array{float, float}, torque: array{float, float}} power in hp and torque in lb-ft at the crank, each with its rpm
     */
    public function usual(): array
    {
        $engine = fn (float $litres, int $cylinders, string $aspiration, string $injection, string $fuel = 'petrol'): array => ['displacement' => $litres, 'cylinders' => $cylinders, 'aspiration' => $aspiration, 'injection' => $injection, 'fuel' => $fuel];

        return match ($this) {
            self::Turbo => ['engine' => $engine(2.0, 4, 'turbo', 'direct'), 'drive' => 'front', 'gearbox' => 'manual', 'rev_limit' => 6800.0, 'power' => [245.0, 5500.0], 'torque' => [270.0, 2200.0]],
            self::Natural => ['engine' => $engine(2.0, 4, 'natural', 'port'), 'drive' => 'rear', 'gearbox' => 'manual', 'rev_limit' => 7400.0, 'power' => [180.0, 6800.0], 'torque' => [145.0, 4800.0]],
            self::Blown => ['engine' => $engine(5.0, 8, 'blower', 'port'), 'drive' => 'rear', 'gearbox' => 'automatic', 'rev_limit' => 6600.0, 'power' => [510.0, 6200.0], 'torque' => [475.0, 4000.0]],
            self::Diesel => ['engine' => $engine(2.2, 4, 'turbo', 'direct', 'diesel'), 'drive' => 'all', 'gearbox' => 'automatic', 'rev_limit' => 4600.0, 'power' => [175.0, 3700.0], 'torque' => [320.0, 1900.0]],
            self::Single => ['engine' => $engine(0.212, 1, 'natural', 'port'), 'drive' => 'rear', 'gearbox' => 'manual', 'rev_limit' => 3600.0, 'power' => [6.9, 3500.0], 'torque' => [10.6, 2500.0]],
        };
    }
}
