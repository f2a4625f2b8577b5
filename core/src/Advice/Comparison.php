<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Money\StageCost;

/** Two plans for one car beside each other, figure by figure and part by part, as they end. */
final readonly class Comparison
{
    public function __construct(public Estimate $here, public Estimate $there) {}

    /** @return list<ComparedFigure> */
    public function figures(): array
    {
        [$here, $there] = [$this->here->last(), $this->there->last()];
        $hours = fn (Estimate $one): int => array_sum(array_map(fn (StageCost $cost): int => $cost->hours, $one->costs));

        return [
            new ComparedFigure(ComparedCode::Power, $here->power->p50, $there->power->p50, 1),
            new ComparedFigure(ComparedCode::LowPower, $here->power->p10, $there->power->p10, 1),
            new ComparedFigure(ComparedCode::Torque, $here->torque->p50, $there->torque->p50, 1),
            new ComparedFigure(ComparedCode::TorqueInRange, $here->usedGain, $there->usedGain, 1),
            new ComparedFigure(ComparedCode::Total, $this->here->total()->likely, $this->there->total()->likely, -1),
            new ComparedFigure(ComparedCode::Hours, $hours($this->here), $hours($this->there), -1),
            new ComparedFigure(ComparedCode::Stages, count($this->here->results) - 1, count($this->there->results) - 1, 0),
            new ComparedFigure(ComparedCode::WeakestLink, $here->weakest(), $there->weakest(), 0, self::bears($here->weakest(), $there->weakest())),
        ];
    }

    /** @return int 1 where here bears more, −1 where there does */
    private static function bears(?LimitReading $here, ?LimitReading $there): int
    {
        $of = fn (?LimitReading $reading): array => [$reading?->status->severity() ?? 0, $reading->used ?? 0.0];

        return $of($there) <=> $of($here);
    }

    /** @return list<array{slot: string, here: ?Part, there: ?Part}> slots that end with another part, or get it in another stage */
    public function parts(): array
    {
        $differences = [];
        foreach (array_keys($this->here->bundle->catalog->platform->slots) as $slot) {
            [$here, $there] = [$this->here->last()->state, $this->there->last()->state];
            [$one, $other] = [$here->build->fitted[$slot] ?? null, $there->build->fitted[$slot] ?? null];
            if ($one?->key !== $other?->key || ($one !== null && $other !== null && $here->since($one) !== $there->since($other))) {
                $differences[] = ['slot' => $slot, 'here' => $one, 'there' => $other];
            }
        }

        return $differences;
    }
}
