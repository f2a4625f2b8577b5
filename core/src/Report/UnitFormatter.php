<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Catalog\Limits\LimitReadAt;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\Dimension;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;
use Pebblerun\Core\Units\UnitSystem;

/** Figures in a reader's units, as numbers and as words. */
final readonly class UnitFormatter
{
    /** Below this peak power an engine's figures have a decimal. */
    private const SMALL = 50.0;

    /** kg/h below which a flow has a decimal. */
    private const SMALL_FLOW = 10.0;

    /** Figures of documents have so many that writing them as words rounds but once. */
    public const PRECISION = 4;

    public function __construct(public UnitSystem $units, public Currency $currency, public Numerals $numerals = Numerals::Comma, private int $decimals = 0) {}

    /** For what is said of a bundle: a small engine's figures have a decimal. */
    public static function for(Bundle $bundle, UnitSystem $units, Numerals $numerals = Numerals::Comma): self
    {
        $peak = $bundle->catalog->platform->baseline->peakPower()->value / $units->power->watts();

        return new self($units, $bundle->shop->currency, $numerals, $peak < self::SMALL ? 1 : 0);
    }

    public function power(float $watts, int $decimals = self::PRECISION): float
    {
        return round($watts / $this->units->power->watts(), $decimals);
    }

    public function torque(float $newtonMetres, int $decimals = self::PRECISION): float
    {
        return round($newtonMetres / $this->units->torque->newtonMetres(), $decimals);
    }

    /** Decimals of a curve's points: enough that a picture of a small engine has no steps. */
    public function curveDecimals(): int
    {
        return $this->decimals + 1;
    }

    public function mass(float $kilograms): float
    {
        return round($kilograms / $this->units->mass->kilograms(), 1);
    }

    public function powerLabel(): string
    {
        return match ($this->units->power) {
            PowerUnit::Hp => 'whp',
            PowerUnit::Ps => 'wheel PS',
            PowerUnit::Kw => 'wheel kW',
        };
    }

    public function torqueLabel(): string
    {
        return match ($this->units->torque) {
            TorqueUnit::LbFt => 'lb-ft',
            TorqueUnit::Nm => 'N·m',
        };
    }

    /** Whether figures below 50 are written with a decimal: those of a small engine. */
    public function tenths(): bool
    {
        return $this->decimals > 0;
    }

    private function decimalsOf(float $value): int
    {
        return abs($value) < self::SMALL ? $this->decimals : 0;
    }

    /** "290", without its unit. */
    public function writePower(float $watts): string
    {
        return $this->numerals->write($watts / $this->units->power->watts(), $this->decimalsOf($watts / $this->units->power->watts()));
    }

    /** "+14", without its unit. */
    public function writeAddedPower(float $watts): string
    {
        return $this->numerals->signed($watts / $this->units->power->watts(), $this->decimalsOf($watts / $this->units->power->watts()));
    }

    /**
     * What several things add, written so that it sums to what is written of the whole. What rounding and the spread of draws leave over
     * is parted among them by size.
     *
     * @param  list<float>  $watts  likely values
     * @param  float  $from  W that the whole was before
     * @param  float  $to  W that it is with all of them
     * @return list<string> "+14", without its unit
     */
    public function writeAddedPowers(array $watts, float $from, float $to): array
    {
        $unit = $this->units->power->watts();
        $decimals = min($this->decimalsOf($from / $unit), $this->decimalsOf($to / $unit));
        $scale = 10 ** $decimals / $unit;
        $sum = (int) (round($this->power($to) * $unit * $scale) - round($this->power($from) * $unit * $scale));
        $size = array_sum(array_map(abs(...), $watts));
        $over = $size === 0.0 ? 0.0 : ($sum - array_sum($watts) * $scale) / $size;
        $wanted = array_map(fn (float $one): float => $one * $scale + abs($one) * $over, $watts);
        $whole = array_map(fn (float $one): int => (int) floor($one), $wanted);
        $rests = array_map(fn (float $one, int $down): float => $one - $down, $wanted, $whole);
        arsort($rests);
        foreach (array_slice(array_keys($rests), 0, max(0, min(count($rests), $sum - array_sum($whole)))) as $i) {
            $whole[$i]++;
        }

        return array_map(fn (int $one): string => $this->numerals->signed($one / 10 ** $decimals, $decimals), array_values($whole));
    }

    /** "310", without its unit. */
    public function writeTorque(float $newtonMetres): string
    {
        return $this->numerals->write($newtonMetres / $this->units->torque->newtonMetres(), $this->decimalsOf($newtonMetres / $this->units->torque->newtonMetres()));
    }

    /** "+14", without its unit. */
    public function writeAddedTorque(float $newtonMetres): string
    {
        return $this->numerals->signed($newtonMetres / $this->units->torque->newtonMetres(), $this->decimalsOf($newtonMetres / $this->units->torque->newtonMetres()));
    }

    public function sayPower(float $watts): string
    {
        return $this->writePower($watts)." {$this->powerLabel()}";
    }

    public function sayTorque(float $newtonMetres): string
    {
        return $this->writeTorque($newtonMetres)." {$this->torqueLabel()}";
    }

    public function sayRpm(float $rpm): string
    {
        return $this->numerals->write($rpm).' rpm';
    }

    /** "€ 6,310". */
    public function sayMoney(int $minor): string
    {
        return "{$this->symbol()} ".$this->numerals->write($this->currency->major($minor));
    }

    public function symbol(): string
    {
        return match ($this->currency->code) {
            'EUR' => '€',
            'GBP' => '£',
            'USD' => '$',
            default => $this->currency->code,
        };
    }

    /** An amount as people write it. */
    public function money(int $minor): float
    {
        return $this->currency->major($minor);
    }

    /** Minor units for a W, as an amount for the reader's unit of power. */
    public function perPower(float $perWatt): float
    {
        return $perWatt * $this->units->power->watts() / 10 ** $this->currency->decimals;
    }

    /** A limit's figure in the reader's unit. */
    public function limit(Quantity $quantity, float $value): float
    {
        return match ($quantity->traits()->dimension) {
            Dimension::Power => $this->power($value),
            Dimension::Torque => $this->torque($value),
            Dimension::Pressure => round($value / $this->units->pressure->pascals(), self::PRECISION),
            Dimension::Flow => round($value * 3600.0, self::PRECISION),
            Dimension::Share => round(100.0 * $value, self::PRECISION),
            Dimension::Temperature => round($this->units->temperature->fromKelvin($value), self::PRECISION),
            Dimension::Speed, Dimension::Octane, Dimension::Mixture => round($value, self::PRECISION),
        };
    }

    /** A limit's figure as written, without its unit. */
    public function writeLimit(Quantity $quantity, float $value): string
    {
        $shown = $this->limit($quantity, $value);

        return $this->numerals->write($shown, match ($quantity->traits()->dimension) {
            Dimension::Pressure, Dimension::Mixture => 2,
            Dimension::Octane => 1,
            Dimension::Power, Dimension::Torque => $this->decimalsOf($shown),
            Dimension::Flow => $shown < self::SMALL_FLOW ? 1 : 0,
            Dimension::Speed, Dimension::Share, Dimension::Temperature => 0,
        });
    }

    /** "331 lb-ft". */
    public function sayLimit(Quantity $quantity, float $value): string
    {
        return "{$this->writeLimit($quantity, $value)} {$this->limitLabel($quantity)}";
    }

    public function limitLabel(Quantity $quantity): string
    {
        $atCrank = $quantity->traits()->readAt === LimitReadAt::Crank ? ' at the crank' : '';

        return match ($quantity->traits()->dimension) {
            Dimension::Power => ($atCrank === '' ? $this->powerLabel() : $this->units->power->value).$atCrank,
            Dimension::Torque => $this->torqueLabel().$atCrank,
            Dimension::Speed => 'rpm',
            Dimension::Pressure => $this->units->pressure->value,
            Dimension::Flow => 'kg/h',
            Dimension::Share => '% of its rated flow',
            Dimension::Octane => 'RON',
            Dimension::Mixture => 'λ',
            Dimension::Temperature => '°'.$this->units->temperature->value,
        };
    }
}
