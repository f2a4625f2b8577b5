<?php

/** The whole arithmetic of a likely curve as one straight loop over bare arrays: what the evaluator is measured against. */

use Pebblerun\Core\Evaluation\Evaluator;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Physics\MeanPressure;

/**
 * A model as bare arrays: nothing of it has to be looked up.
 *
 * @return array<string, mixed>
 */
function bare(StageModel $model, Evaluator $evaluator, ?StageModel $received = null): array
{
    $received ??= $model;
    $own = array_fill_keys(array_map(fn (object $ceiling): string => $ceiling->component ?? $ceiling->signature, $received->ceilings), true);
    $less = $received->build->fuel->blend->perReference() / $model->build->fuel->blend->perReference();
    $families = fn (array $gains): array => array_values(array_reduce($gains, function (array $families, Gain $gain): array {
        $families[$gain->family][] = [$gain->knots(), array_merge(...$gain->columns(null)), $gain->ceiling, $gain->ratiosAtKnots()];

        return $families;
    }, []));
    $loss = $evaluator->losses[0];
    $map = $model->mapGain();
    $ceilings = fn (bool $soft): array => array_values(array_map(
        fn (object $ceiling): array => [array_column($ceiling->points, 0), array_map(fn (array $point): float => $point[1]->likely, $ceiling->points), $ceiling->torque, $ceiling->crank ? 1.0 - $loss->percentageShare() : 1.0, $ceiling->crank ? $loss->torque : 0.0, isset($own[$ceiling->component ?? $ceiling->signature]) ? ($ceiling->component === null ? 1.0 : $less) : 0.0],
        array_filter($model->ceilings, fn (object $ceiling): bool => $ceiling->soft === $soft),
    ));

    return [
        'engine' => $families($model->engineGains),
        'driveline' => $families($model->drivelineGains),
        'shift' => array_sum(array_map(fn (array $spool): float => $spool[1]->likely, $model->spools)),
        'soft' => $ceilings(true),
        'hard' => $ceilings(false),
        'added' => array_column($model->added, 1),
        'octane' => $model->timing,
        'wrong' => $model->fuel->share() / $received->fuel->share(),
        'map' => $map?->onPump === null ? null : array_map(fn (Gain $gain): array => [$gain->knots(), array_merge(...$gain->columns(null))], [$map, $map->onPump]),
        'received' => $received === $model ? null : bare($received, $evaluator),
        'off boost' => $model->breathesLater() ? $loss->toWheels(MeanPressure::offBoost($evaluator->catalog->platform->engine->displacement, $evaluator->catalog->platform->engine->fuel)) : 0.0,
    ];
}

/** What fuel gives without air, by which a ceiling of airflow lets more through. */
function airlessAt(array $model, float $rpm): float
{
    if ($model['map'] === null) {
        return $model['octane'];
    }
    [[$knots, $strong], [$pumpKnots, $pump]] = $model['map'];

    return $model['octane'] * ((1.0 + lineAt($knots, $strong, $rpm)) / (1.0 + lineAt($pumpKnots, $pump, $rpm))) ** 0.7;
}

function lineAt(array $xs, array $ys, float $x): float
{
    $last = count($xs) - 1;
    if ($x <= $xs[0]) {
        return $ys[0];
    }
    if ($x >= $xs[$last]) {
        return $ys[$last];
    }
    $k = 0;
    while ($xs[$k + 1] <= $x) {
        $k++;
    }

    return $ys[$k] + ($ys[$k + 1] - $ys[$k]) * ($x - $xs[$k]) / ($xs[$k + 1] - $xs[$k]);
}

/** @param  bool  $bounded  never more than was quoted */
function familiesAt(array $families, float $rpm, bool $bounded = false): float
{
    $factor = 1.0;
    $quoted = 1.0;
    foreach ($families as $members) {
        $open = $rest = 1.0;
        foreach ($members as [$knots, $values, $ceiling, $ratios]) {
            $g = lineAt($knots, $values, $rpm);
            $quoted += $g * max(1.0, lineAt($knots, $ratios, $rpm));
            if ($g <= 0.0) {
                $rest *= 1.0 + $g;
            } elseif ($ceiling === INF) {
                $rest *= 1.0 + $g;
            } else {
                $open *= $g < $ceiling ? 1.0 - $g / $ceiling : 0.0;
            }
        }
        $ceiling = $members[0][2];
        $factor *= ($open === 1.0 ? 1.0 : 1.0 + $ceiling * (1.0 - $open)) * $rest;
    }

    return $bounded ? min($factor, max(1.0, $quoted)) : $factor;
}

/** What a moved rising flank multiplies by. */
function spoolAt(float $shift, array $rpms, array $torque, float $rpm): float
{
    $here = lineAt($rpms, $torque, $rpm);
    $below = $rpms[0] - ($rpm - $shift);
    $there = $below <= 0.0 ? lineAt($rpms, $torque, $rpm - $shift) : max(0.4 * $torque[0], $torque[0] - max(0.0, $torque[1] - $torque[0]) / 50.0 * $below);

    return ($shift > 0.0 ? min($here, $there) : max($here, $there)) / $here;
}

/**
 * @param  array<string, mixed>  $model  as bare() gave it
 * @param  list<float>  $unchanged  W of the stock car
 * @param  list<float>  $received  W of the car as received
 * @return array{float, float} highest power in W and torque in N·m
 */
function straight(array $model, array $rpms, array $unchanged, array $received, array $baseRpms, array $baseTorque): array
{
    $power = $torque = 0.0;
    foreach ($rpms as $i => $rpm) {
        $omega = $rpm * M_PI / 30.0;
        $watts = $unchanged[$i] * $model['octane'] * familiesAt($model['engine'], $rpm, true);
        if ($model['shift'] !== 0.0) {
            $watts *= spoolAt($model['shift'], $baseRpms, $baseTorque, $rpm);
        }
        if ($model['off boost'] > 0.0) {
            $watts = max($watts, $model['octane'] * min($model['off boost'], $received[$i] / $omega) * $omega);
        }
        foreach ($model['soft'] as [$xs, $ys, $isTorque, $share, $lost, $isOwn]) {
            $cap = max($isOwn * $received[$i] / airlessAt($model['received'] ?? $model, $rpm), lineAt($xs, $ys, $rpm) * $share * ($isTorque ? $omega : 1.0) - $lost * $omega) * airlessAt($model, $rpm);
            $gain = $watts - $received[$i];
            $room = $cap - $received[$i];
            $watts = match (true) {
                $room <= 0.0 => min($watts, $cap),
                $gain > 0.0 => $received[$i] + ($gain ** -6 + $room ** -6) ** (-1 / 6),
                default => $watts,
            };
        }
        $watts *= $model['wrong'];
        foreach ($model['added'] as $window) {
            $watts += $window->power->likely * $window->at($rpm);
        }
        foreach ($model['hard'] as [$xs, $ys, $isTorque, $share, $lost, $isOwn]) {
            $watts = min($watts, max($isOwn * $received[$i], lineAt($xs, $ys, $rpm) * $share * ($isTorque ? $omega : 1.0) - $lost * $omega));
        }
        $watts *= familiesAt($model['driveline'], $rpm);
        $power = max($power, $watts);
        $torque = max($torque, $watts / $omega);
    }

    return [$power, $torque];
}

/**
 * The stock car's power and the power as received, at the speeds of a model's grid.
 *
 * @param  list<float>  $wheels  W as received
 * @return array{list<float>, list<float>} W
 */
function beginning(Evaluator $evaluator, StageModel $received, array $rpms, array $wheels): array
{
    $bare = bare($received, $evaluator);
    $curve = $evaluator->catalog->platform->baseline;
    $unchanged = [];
    foreach ($rpms as $i => $rpm) {
        $factor = familiesAt($bare['engine'], $rpm, true) * familiesAt($bare['driveline'], $rpm);
        $unchanged[] = $wheels[$i] / $bare['octane'] / $factor / ($bare['shift'] === 0.0 ? 1.0 : spoolAt($bare['shift'], $curve->rpms(), $curve->torque, $rpm));
    }

    return [$unchanged, $wheels];
}
