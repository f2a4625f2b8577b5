<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\RoadChange;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\TorqueLoss;
use Pebblerun\Core\Job\Brief\Outside;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Physics\Air\Soak;

/** Writes what a stage does besides its peaks: heat, mass, torque given away. */
final readonly class StageNotes
{
    /** A stated boost that is so far from what the air asks is pointed out. */
    private const FAR = 0.2;

    public function __construct(private Platform $platform, private UnitFormatter $say) {}

    /**
     * @param  float  $power  W, the headline, which is the first pull's
     * @return ?array<string, mixed>
     */
    public function soak(?Soak $soak, float $power): ?array
    {
        if ($soak === null) {
            return null;
        }
        $temperature = fn (float $kelvin): float => $this->say->limit(Quantity::ChargeTemperature, $kelvin);
        $unit = $this->say->limitLabel(Quantity::ChargeTemperature);
        $left = $power * (1.0 - $soak->lost());

        return [
            'first' => $temperature($soak->first),
            'fifth' => $temperature($soak->fifth),
            'lost_percent' => round(100 * $soak->lost(), UnitFormatter::PRECISION),
            'power' => $this->say->power($left),
            'sentence' => sprintf(
                'Charge air %d %s on the first pull, %d %s on the fifth (12 s each, 30 s between): %s %% of power gone by then, %s left.',
                round($temperature($soak->first)), $unit, round($temperature($soak->fifth)), $unit, $this->say->numerals->write(100 * $soak->lost(), 1), $this->say->sayPower($left),
            ),
        ];
    }

    /** @return ?array{sentence: string} boost where it is highest and at the power peak, and how far a stated one is from it */
    public function boost(StageResult $result): ?array
    {
        if ($result->boost === null) {
            return null;
        }
        [$rpm, $most, $topRpm, $top] = $result->boost;
        $say = fn (float $pascals): string => $this->say->sayLimit(Quantity::Boost, $pascals);
        $sentence = "Boost {$say($most)} near {$this->say->sayRpm($rpm)}, {$say($top)} near {$this->say->sayRpm($topRpm)}.";
        $stated = $result->model->hardware->stated?->atPower->likely;
        if ($stated !== null && $result->model->hardware->measured === null && abs($stated - $top) > self::FAR * $stated) {
            $sentence .= " The map is said to run {$say($stated)} up there: ask which of the two is right.";
        }

        return ['sentence' => $sentence];
    }

    /** @return array{can: bool, torque: ?float, from: ?float, to: ?float, sentence: string} whether its map can hold torque, and what that costs */
    public function hold(StageResult $result): array
    {
        $build = $result->model->build;
        $hold = $build->hold;
        $can = $build->map()?->map?->kind->isCustom() === true;
        if ($hold === null || $result->held === null) {
            $sentence = $can || $hold === null ? '' : 'Only a dyno or remote map can cap torque: the one in the car does not.';

            return ['can' => $can, 'torque' => $hold === null ? null : $this->say->torque($hold->torque), 'from' => $hold?->from, 'to' => $hold?->to, 'sentence' => $sentence];
        }
        [$watts, $newtonMetres] = $result->held;

        return [
            'can' => $can, 'torque' => $this->say->torque($hold->torque), 'from' => $hold->from, 'to' => $hold->to,
            'sentence' => "Torque held at {$this->say->sayTorque($hold->torque)} from {$this->say->sayRpm($hold->from)} to {$this->say->sayRpm($hold->to)}: costs {$this->say->sayPower($watts)} and {$this->say->sayTorque($newtonMetres)} at their peaks.",
        ];
    }

    /**
     * @param  ?float  $share  of the power that is left on the hottest day
     * @return ?array{p10: float, p50: float, p90: float, sentence: string}
     */
    public function hot(?float $share, Percentiles $power, Outside $outside): ?array
    {
        if ($share === null) {
            return null;
        }
        $kelvin = $outside->hottest;

        return [
            'p10' => $this->say->power($power->p10 * $share), 'p50' => $this->say->power($power->p50 * $share), 'p90' => $this->say->power($power->p90 * $share),
            'sentence' => sprintf(
                'On the hottest day (%s, %s m): %s likely, %s–%s.', $this->say->sayLimit(Quantity::ChargeTemperature, $kelvin), $this->say->numerals->write($outside->altitude),
                $this->say->sayPower($power->p50 * $share), $this->say->writePower($power->p10 * $share), $this->say->writePower($power->p90 * $share),
            ),
        ];
    }

    /** @return ?array{from: float, to: float, at: float, torque: float, short: string, sentence: string} */
    public function torqueLoss(?TorqueLoss $loss): ?array
    {
        return $loss === null ? null : [
            'from' => $loss->from,
            'to' => $loss->to,
            'at' => $loss->at,
            'torque' => $this->say->torque($loss->most),
            'short' => "Loses {$this->say->sayTorque($loss->most)} {$this->where($loss)}",
            'sentence' => $this->torqueLossSentence($loss),
        ];
    }

    /** "Loses up to 12 lb-ft below 2,500 rpm …" */
    public function torqueLossSentence(TorqueLoss $loss): string
    {
        return "Loses up to {$this->say->sayTorque($loss->most)} {$this->where($loss)} against the stage before, most near {$this->say->sayRpm($loss->at)}.";
    }

    private function where(TorqueLoss $loss): string
    {
        return $loss->fromBottom ? "below {$this->say->sayRpm($loss->to)}" : "from {$this->say->sayRpm($loss->from)} to {$this->say->sayRpm($loss->to)}";
    }

    /** @return ?array<string, mixed> null where the platform states no mass and nothing changed it */
    public function mass(Build $build): ?array
    {
        $change = RoadChange::of($build->parts)->mass;
        if ($change === 0.0) {
            return null;
        }
        $unit = $this->say->units->mass->value;
        $total = $this->platform->body->mass === null ? null : $this->say->mass($this->platform->body->mass + $change);
        $words = sprintf('%+g %s', $this->say->mass($change), $unit);

        return [
            'change' => $this->say->mass($change),
            'total' => $total,
            'sentence' => $total === null ? "Mass: {$words} against stock." : "Mass: {$words} against stock, ".$this->say->numerals->write($total)." {$unit} with driver.",
        ];
    }
}
