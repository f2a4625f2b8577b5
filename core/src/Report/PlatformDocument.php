<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\EngineLoad;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Report\Words\ConditionWords;
use Pebblerun\Core\Report\Words\FrameWords;
use Pebblerun\Core\Report\Words\LimitWords;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\Rpm;

/** A platform's stock car as a picture: its wheel curve with the limits over it, and what the curve says of the engine. */
final readonly class PlatformDocument
{
    /**
     * @param  Estimate  $stock  of the stock car, unmeasured, with nothing planned
     * @param  list<array{Condition, Estimate}>  $others  likewise, where another curve stands in its place
     */
    public function __construct(private Estimate $stock, private UnitFormatter $say, private array $others = []) {}

    /** @return array<string, mixed> valid against platformPicture of schemas/answers.json */
    public function picture(): array
    {
        $result = $this->stock->last();
        $likely = $this->stock->evaluator->likely($result->model);
        $rpms = Thinned::of($likely->grid->rpms);
        $watts = Thinned::of($likely->wheels);

        return [
            'rpms' => $rpms,
            'torque' => array_map(fn (float $power, float $rpm): float => $this->say->torque($power / ($rpm * Rpm::OMEGA), $this->say->curveDecimals()), $watts, $rpms),
            'power' => array_map(fn (float $power): float => $this->say->power($power, $this->say->curveDecimals()), $watts),
            'torque_unit' => $this->say->torqueLabel(),
            'power_unit' => $this->say->powerLabel(),
            'limits' => (new LimitDocument($this->stock->planned, $this->say))->along($result, $rpms),
            'readings' => array_map($this->reading(...), $result->readings),
            'others' => array_map(fn (array $other): array => $this->other($other[0], $other[1], $rpms), $this->others),
            'facts' => $this->facts(),
        ];
    }

    /**
     * @param  list<float>  $rpms
     * @return array<string, mixed>
     */
    private function other(Condition $when, Estimate $estimate, array $rpms): array
    {
        $curve = $estimate->bundle->catalog->platform->baseline;
        $stock = $this->stock->last()->model->build->situation;

        return [
            'name' => 'With '.(new ConditionWords($this->stock->bundle->catalog))->of($when, $stock),
            'torque' => array_map(fn (float $rpm): float => $this->say->torque($curve->torqueAt($rpm), $this->say->curveDecimals()), $rpms),
            'power' => array_map(fn (float $rpm): float => $this->say->power($curve->torqueAt($rpm) * $rpm * Rpm::OMEGA, $this->say->curveDecimals()), $rpms),
            'peaks' => $this->peaks($estimate->bundle->catalog->platform),
        ];
    }

    /** In the shop's frame, and what brought them there. */
    private function peaks(Platform $platform): string
    {
        $power = $platform->baseline->peakPower();
        $torque = $platform->baseline->peakTorque();
        $frame = $platform->source->frame;

        return "{$this->say->sayPower($power->value)} at {$this->say->sayRpm($power->rpm)}, {$this->say->sayTorque($torque->value)} at {$this->say->sayRpm($torque->rpm)}".($frame->isOwn() ? '' : ', '.FrameWords::of($frame));
    }

    /** @return array<string, mixed> */
    private function reading(LimitReading $reading): array
    {
        $quantity = $reading->limit->quantity;

        return [
            'name' => $reading->limit->name,
            'of' => Terms::quantity($quantity),
            'bears' => "safe to {$this->say->writeLimit($quantity, $reading->safe)}, breaks at {$this->say->sayLimit($quantity, $reading->edge)}",
            'percent' => $reading->median === null ? null : round(100.0 * $reading->median),
            'percents' => $reading->median === null ? 'not known' : LimitWords::percents($reading, $this->say->numerals),
            'rests' => Terms::evidence($reading->limit->evidence),
            'note' => $reading->limit->note,
        ];
    }

    /** @return list<array{name: string, value: string}> */
    private function facts(): array
    {
        $platform = $this->stock->bundle->catalog->platform;
        $load = EngineLoad::of($this->stock->last(), $platform, $this->stock->evaluator->losses[0]);
        $facts = [
            ['name' => 'At the wheels', 'value' => $this->peaks($platform)],
            ['name' => 'The factory claims', 'value' => $this->claim()],
            ['name' => 'BMEP', 'value' => "{$this->number($load->pressure / 1e5, 1)} bar at the torque peak, {$this->number($load->powerPerLitre / PowerUnit::Hp->watts())} hp a litre at the crank"],
        ];

        return [...$facts, ...$this->filling()];
    }

    private function claim(): string
    {
        $platform = $this->stock->bundle->catalog->platform;
        if ($platform->engine->claimed === null) {
            return 'nothing that is known here';
        }
        $lost = 1.0 - $platform->baseline->peakPower()->value / $platform->engine->claimed;

        return "{$this->say->writePower($platform->engine->claimed)} {$this->say->units->power->value} at the crank: {$this->number(100.0 * $lost)} % less at the wheels";
    }

    /** @return list<array{name: string, value: string}> */
    private function filling(): array
    {
        $model = $this->stock->last()->model;
        $air = $this->stock->evaluator->breath($model, $this->stock->evaluator->likely($model));
        if ($air === null || ! $air->stock->isKnown()) {
            return [['name' => 'Volumetric efficiency', 'value' => 'unknown: say what compresses, and its boost']];
        }
        $at = fn (float $rpm): string => "{$this->number(100.0 * $air->stock->filling($rpm))} % at {$this->say->sayRpm($rpm)}";

        return [['name' => 'Volumetric efficiency', 'value' => implode(', ', array_unique(array_map($at, [$air->stock->torqueRpm, $air->stock->powerRpm])))]];
    }

    private function number(float $value, int $decimals = 0): string
    {
        return $this->say->numerals->write($value, $decimals);
    }
}
