<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Job\Brief\BriefPlaces;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;

/** Says the answers of a brief in a few words, so that two of them can be held beside each other. */
final readonly class BriefWords
{
    private const PLACES = [
        'title' => 'Job', 'customer.name' => 'Customer', 'customer.contact' => 'Contact', 'customer.notes' => 'Notes on the customer',
        'car.chassis_number' => 'Chassis number', 'customer' => 'Customer', 'car' => 'Car',
        'purpose' => 'Used for', 'notes' => 'Notes', 'car.year' => 'Model year', 'car.gearbox' => 'Gearbox', 'car.mileage_km' => 'Mileage',
        'car.variant' => 'Variant', 'car.tyres' => 'Tyres', 'car.lift_mm' => 'Lift', 'car.mass' => 'Mass with driver',
        'car.registration' => 'Registration', 'car.notes' => 'Notes on the car', 'car.measured_loss' => 'Measured loss',
        'received.parts' => 'Parts as received', 'received.unknown' => 'Not known as received', 'received.fuel' => 'Fuel as received',
        'received.baseline' => 'Baseline', 'received.baseline_confirmed' => 'Baseline confirmed', 'received.healthy' => 'Health check', 'target' => 'Target', 'budget.total' => 'Budget, total',
        'budget.now' => 'Budget, now', 'budget.monthly' => 'Budget, per month', 'rpm_range' => 'Rpm range in use', 'fuels' => 'Fuels within reach',
        'use' => 'Use', 'noise' => 'Noise', 'inspection' => 'Inspection', 'warranty' => 'Warranty', 'refuses' => 'Refused', 'risk' => 'Risk',
    ];

    public function __construct(private UnitFormatter $say) {}

    public function place(string $place): string
    {
        $last = substr($place, (int) strrpos($place, '.') + 1);

        return match (true) {
            isset(self::PLACES[$place]) => self::PLACES[$place],
            str_starts_with($place, 'received.checks.') => 'Health check, '.(($check = HealthCheck::tryFrom($last)) === null ? $last : Terms::healthCheck($check)),
            str_starts_with($place, 'warnings.') => 'Warning given: '.(($warning = Warning::tryFrom($last)) === null ? $last : lcfirst(Terms::warning($warning))),
            default => $place,
        };
    }

    public function value(string $place, mixed $value): string
    {
        return match (true) {
            $value === null, $value === '' => 'no answer',
            $value === [] => 'none',
            $place === 'target' && is_array($value) => $this->target($value),
            $place === 'rpm_range' && is_array($value) => "{$value['from']}–{$value['to']} rpm",
            $place === 'received.baseline' && is_array($value) => count((array) ($value['points'] ?? [])).' points',
            (str_starts_with($place, 'warnings.') || $place === BriefPlaces::BASELINE_CONFIRMED) && is_array($value) => "{$value['on']}, by {$value['by']}",
            str_starts_with($place, 'budget.') => $this->say->sayMoney($this->say->currency->minor((float) $value)),
            $place === 'car.lift_mm' => $this->say->numerals->write((float) $value).' mm',
            $place === 'car.mass' => $this->say->numerals->write((float) $value).' '.$this->say->units->mass->value,
            $place === 'car.mileage_km' => $this->say->numerals->write((float) $value).' km',
            is_bool($value) => $value ? 'yes' : 'no',
            is_array($value) => implode(', ', array_map(fn (mixed $one): string => is_scalar($one) ? (string) $one : (string) json_encode($one), $value)),
            default => (string) $value,
        };
    }

    /** @param  array<string, mixed>  $target */
    private function target(array $target): string
    {
        return match (true) {
            isset($target['power']) => "{$target['power']} {$this->say->powerLabel()}",
            isset($target['quarter_mile']) => "a quarter mile in {$target['quarter_mile']} s",
            default => "{$target['torque']} {$this->say->torqueLabel()} at {$target['at_rpm']} rpm",
        };
    }
}
