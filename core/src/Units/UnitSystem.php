<?php

namespace Pebblerun\Core\Units;

use BackedEnum;

/** The units a document names once in its head; readers convert, the inside is SI. */
final readonly class UnitSystem
{
    public function __construct(
        public PowerUnit $power = PowerUnit::Hp,
        public TorqueUnit $torque = TorqueUnit::LbFt,
        public PressureUnit $pressure = PressureUnit::Bar,
        public TemperatureUnit $temperature = TemperatureUnit::Celsius,
        public MassUnit $mass = MassUnit::Kilogram,
    ) {}

    /**
     * @param  array<string, string>  $units  keys power, torque, pressure, temperature, mass
     *
     * @throws InvalidQuantity for a unit nobody knows.
     */
    public static function parse(array $units): self
    {
        return new self(
            self::unit(PowerUnit::class, 'power', $units['power'] ?? 'hp'),
            self::unit(TorqueUnit::class, 'torque', $units['torque'] ?? 'lb-ft'),
            self::unit(PressureUnit::class, 'pressure', $units['pressure'] ?? 'bar'),
            self::unit(TemperatureUnit::class, 'temperature', $units['temperature'] ?? 'C'),
            self::unit(MassUnit::class, 'mass', $units['mass'] ?? 'kg'),
        );
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return [
            'power' => $this->power->value,
            'torque' => $this->torque->value,
            'pressure' => $this->pressure->value,
            'temperature' => $this->temperature->value,
            'mass' => $this->mass->value,
        ];
    }

    /**
     * @template T of BackedEnum
     *
     * @param  class-string<T>  $enum
     * @return T
     */
    private static function unit(string $enum, string $dimension, string $value): BackedEnum
    {
        return $enum::tryFrom($value) ?? throw InvalidQuantity::unknownUnit(
            $dimension,
            $value,
            implode(', ', array_map(fn (BackedEnum $case): string => (string) $case->value, $enum::cases())),
        );
    }
}
