<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Catalog\Platform\AirRole;
use Pebblerun\Core\Evaluation\Model\Gain;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Job\Plan\Stacking;
use Pebblerun\Core\Physics\Fuel\FuelKind;

/**
 * What a build's likely gains do to the air, family by family: a = Π F^s, with s 1 for what breathes, 0.6 for what a map gives on
 * pump fuel and 0.3 for what strong fuel adds to it; a diesel's map adds F^s of air and F of fuel.
 */
final readonly class AirFactors
{
    private const MAP = 0.6;

    /** Of what strong fuel adds, the part that is air. */
    public const ETHANOL = 0.3;

    private const DIESEL_MAP = 0.3;

    /** @param  positive-int  $rows  of each speed: one, or as many as draws */
    public function __construct(private FamilyFactors $families, private int $rows = 1) {}

    /** @return array{air: list<float>, easier: list<float>, fuel: list<float>} flat: air, what it takes less pressure for, a diesel's fuel */
    public function of(StageModel $model, SpeedGrid $grid): array
    {
        $ones = array_fill(0, count($grid->rpms) * $this->rows, 1.0);
        $air = $easier = $fuel = $ones;
        $diesel = $model->build->fuel->kind === FuelKind::Diesel;
        foreach (self::byFamily($model->bounded) as $gains) {
            $role = $gains[0]->air;
            if ($role === AirRole::None || ($role === AirRole::Fuel && ! $diesel)) {
                continue;
            }
            $factor = $this->factor($gains, $grid);
            if ($role->isFlow()) {
                $air = self::times($air, $factor, 1.0);
                $easier = match (true) {
                    $role->isEasier() => self::times($easier, $factor, 1.0),
                    $role === AirRole::Induction => self::times($easier, $factor, 0.5),
                    default => $easier,
                };
            } elseif ($role === AirRole::Map && ! $diesel) {
                $pump = $gains[0]->onPump === null ? $factor : $this->factor([$gains[0]->onPump], $grid);
                $air = self::times(self::times($air, $pump, self::MAP - self::ETHANOL), $factor, self::ETHANOL);
            } else {
                $air = $role === AirRole::Map ? self::times($air, $factor, $gains[0]->case->air->airShare ?? self::DIESEL_MAP) : $air;
                $fuel = self::times($fuel, $factor, 1.0);
            }
        }

        return ['air' => $air, 'easier' => $easier, 'fuel' => $fuel];
    }

    /**
     * @param  non-empty-list<Gain>  $gains  of one family
     * @return list<float>
     */
    private function factor(array $gains, SpeedGrid $grid): array
    {
        return $this->families->of($gains, Stacking::Diminishing, $grid)[0];
    }

    /**
     * @param  list<Gain>  $gains
     * @return array<string, non-empty-list<Gain>>
     */
    private static function byFamily(array $gains): array
    {
        $families = [];
        foreach ($gains as $gain) {
            $families[$gain->family][] = $gain;
        }

        return $families;
    }

    /**
     * @param  list<float>  $values
     * @param  list<float>  $factor
     * @return list<float>
     */
    private static function times(array $values, array $factor, float $power): array
    {
        $product = [];
        foreach ($values as $at => $value) {
            $product[] = $value * max(1e-6, $factor[$at]) ** $power;
        }

        return $product;
    }
}
