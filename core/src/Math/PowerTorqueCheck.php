<?php

namespace Pebblerun\Core\Math;

use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\Rpm;
use Pebblerun\Core\Units\TorqueUnit;

/** Power and torque of one run must agree, P = T·ω, or a unit or a column is wrong. */
final class PowerTorqueCheck
{
    private const TOLERANCE = 0.02;

    /**
     * @param  array<int, array{float, float, float}>  $rows  rpm, N·m, W, by row
     *
     * @throws InvalidCurve naming the first row at fault and the likely unit mistake.
     */
    public static function agree(array $rows): void
    {
        foreach ($rows as $i => [$rpm, $torque, $power]) {
            $expected = $torque * $rpm * Rpm::OMEGA;
            if ($expected <= 0.0 || abs($power / $expected - 1.0) > self::TOLERANCE) {
                $ratio = $expected > 0.0 ? $power / $expected : INF;
                throw InvalidCurve::disagree($i, $rpm, $ratio, self::likelyMistake($ratio));
            }
        }
    }

    /** What the ratio of given to expected power looks like; the nearest of the usual mix-ups, or null. */
    private static function likelyMistake(float $ratio): ?string
    {
        $mistakes = [
            'the torque is in N·m though the file says lb-ft' => 1.0 / TorqueUnit::LB_FT,
            'the torque is in lb-ft though the file says N·m' => TorqueUnit::LB_FT,
            'the power is in kW though the file says hp' => PowerUnit::HP / 1000.0,
            'the power is in hp though the file says kW' => 1000.0 / PowerUnit::HP,
        ];
        $distance = array_map(fn (float $factor): float => abs($ratio / $factor - 1.0), $mistakes);
        asort($distance);

        return reset($distance) <= self::TOLERANCE ? key($distance) : null;
    }
}
