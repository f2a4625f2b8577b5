<?php

namespace Pebblerun\Core\Tests\Evaluation;

use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Parts\AddedPower;
use Pebblerun\Core\Catalog\Parts\Effects;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Tests\Lyre;
use Pebblerun\Core\Units\Range;
use Pebblerun\Core\Units\Rpm;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * The engine against the method written down once more, as plainly as it reads and with nothing of the engine in it: one engine
 * speed, one build, no tables, no sharing. Seeded builds, all three rules of stacking, ceilings and added power.
 */
final class OracleTest extends TestCase
{
    /** kW and N·m at 5,800 and 2,500 rpm, reference likewise, family: the worked values' parts. */
    private const PARTS = [
        'map' => [25.0, 60.0, 159.13, 300.0, 'map'],
        'intake' => [4.0, 3.0, 184.0, 360.0, 'intake'],
        'pipe' => [5.0, 5.0, 184.0, 360.0, 'intake'],
        'cooler' => [5.0, 6.0, 184.0, 360.0, 'charge'],
        'downpipe' => [9.0, 16.0, 184.0, 360.0, 'exhaust'],
        'catback' => [4.0, 4.0, 184.0, 360.0, 'exhaust'],
        'lossy' => [6.0, -12.0, 184.0, 360.0, 'induction'],
    ];

    private const CEILINGS = ['map' => 0.60, 'intake' => 0.06, 'exhaust' => 0.10, 'charge' => 0.08, 'induction' => 0.6];

    private const KNEE = 2500.0;

    /** The highest grid rpm with 98 % of the peak torque. */
    private const PLATEAU_END = 4900.0;

    private const TOP = 5800.0;

    public static function builds(): iterable
    {
        foreach (Stacking::cases() as $stacking) {
            for ($seed = 1; $seed <= 12; $seed++) {
                yield "{$stacking->value} {$seed}" => [$stacking, $seed];
            }
        }
    }

    #[DataProvider('builds')]
    public function test_likely_power_is_what_the_method_says(Stacking $stacking, int $seed): void
    {
        $random = new Randomizer(new Mt19937($seed));
        $fitted = array_values(array_filter(array_keys(self::PARTS), fn (): bool => $random->getInt(0, 2) > 0));
        $soft = $random->getInt(0, 1) === 1 ? 1000.0 * $random->getInt(190, 230) : null;
        $hard = $random->getInt(0, 1) === 1 ? 1000.0 * $random->getInt(180, 215) : null;
        $added = $random->getInt(0, 1) === 1 ? [500.0 * $random->getInt(5, 9), 1000.0 * $random->getInt(5, 40)] : null;

        $lyre = new Lyre;
        $lyre->stacking = $stacking;
        $lyre->parts['lossy'] = Lyre::part('lossy', ['turbo'], [6, 6, 6], [-12, -12, -12]);
        if ($added !== null) {
            $lyre->parts['bottle'] = Lyre::part('bottle', ['gearbox'], null, null, effects: new Effects(added: [new AddedPower($added[0], INF, Range::exact($added[1]))]));
        }
        $lyre->ceilings = [
            ...($soft === null ? [] : [new Ceiling('soft', 'Soft', true, false, false, [[0.0, Range::exact($soft)]], null)]),
            ...($hard === null ? [] : [new Ceiling('hard', 'Hard', false, false, false, [[0.0, Range::exact($hard)]], null)]),
        ];
        $likely = $lyre->last([...$fitted, ...($added === null ? [] : ['bottle'])])->likely;
        foreach ($likely->rpms() as $i => $rpm) {
            self::assertEqualsWithDelta(
                $this->power($rpm, $fitted, $stacking, $soft, $hard, $added) / ($rpm * Rpm::OMEGA),
                $likely->torque[$i],
                // The worked values state the baseline's peak to five figures.
                0.02,
                "{$rpm} rpm with ".implode(', ', $fitted),
            );
        }
    }

    /**
     * @param  list<string>  $fitted
     * @param  ?array{float, float}  $added  from rpm, W
     */
    private function power(float $rpm, array $fitted, Stacking $stacking, ?float $soft, ?float $hard, ?array $added): float
    {
        $base = Lyre::curve()->torqueAt($rpm) * $rpm * Rpm::OMEGA;
        $power = $base * $this->factor($rpm, $fitted, $stacking);
        if ($soft !== null) {
            // A ceiling below the car itself is raised to it.
            $power = $soft <= $base ? min($power, $base) : ($power <= $base ? $power : $base + (($power - $base) ** -6 + ($soft - $base) ** -6) ** (-1 / 6));
        }
        if ($added !== null && $rpm >= $added[0]) {
            $power += $added[1];
        }

        return $hard === null ? $power : min($power, max($hard, $base));
    }

    /** @param  list<string>  $fitted */
    private function factor(float $rpm, array $fitted, Stacking $stacking): float
    {
        $families = [];
        foreach ($fitted as $key) {
            $families[self::PARTS[$key][4]][] = $key;
        }
        $covered = in_array('map', $fitted, true);
        $product = 1.0;
        $sum = 1.0;
        foreach ($families as $family => $keys) {
            $open = 1.0;
            $losses = 1.0;
            foreach ($keys as $key) {
                $gain = $this->gain($rpm, $key, $covered ? 1.0 : 0.3);
                $sum += $gain * $this->ratio($rpm, $key);
                if ($stacking === Stacking::Compound || $gain <= 0.0) {
                    $losses *= 1.0 + $gain;
                } else {
                    $open *= 1.0 - min($gain, self::CEILINGS[$family]) / self::CEILINGS[$family];
                }
            }
            $product *= $losses * (1.0 + self::CEILINGS[$family] * (1.0 - $open));
        }

        return match ($stacking) {
            Stacking::Sum => $sum,
            Stacking::Compound => $product,
            Stacking::Diminishing => min($product, max(1.0, $sum)),
        };
    }

    /**
     * g over rpm: flat along the torque plateau, straight from its end to the power peak, flat beyond, a gain fading to a fifth at 1,500 rpm. Without a
     * map each of the two figures gives its share; a loss is lost whole.
     */
    private function gain(float $rpm, string $key, float $share): float
    {
        [$power, $torque, $referencePower, $referenceTorque] = self::PARTS[$key];
        $of = fn (float $gain): float => $gain > 0.0 ? $gain * $share : $gain;
        $atTorque = $of($torque / $referenceTorque);
        $atPower = $of($power / $referencePower);
        if ($rpm >= self::TOP) {
            return $atPower;
        }
        if ($rpm >= self::KNEE) {
            return $atTorque + ($atPower - $atTorque) * max(0.0, ($rpm - self::PLATEAU_END) / (self::TOP - self::PLATEAU_END));
        }

        return $atTorque <= 0.0 ? $atTorque : $atTorque * (0.2 + 0.8 * ($rpm - 1500.0) / (self::KNEE - 1500.0));
    }

    /** Reference over baseline, for the plain sum. */
    private function ratio(float $rpm, string $key): float
    {
        [, , $referencePower, $referenceTorque] = self::PARTS[$key];
        $along = min(1.0, max(0.0, ($rpm - self::PLATEAU_END) / (self::TOP - self::PLATEAU_END)));
        $atTorque = $referenceTorque / 300.0;
        $atPower = $referencePower / 159.13;

        return $atTorque + ($atPower - $atTorque) * $along;
    }
}
