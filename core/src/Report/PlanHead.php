<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Job\Brief\Target;

/** Writes what holds for a plan as a whole: its labels, what was asked, and the settings it was computed with. */
final readonly class PlanHead
{
    public function __construct(private Estimate $estimate, private UnitFormatter $say) {}

    /** @return array<string, mixed> */
    public function write(): array
    {
        $brief = $this->estimate->bundle->brief;
        $maybe = fn (?int $minor): ?float => $minor === null ? null : $this->say->money($minor);

        return [
            'labels' => ['power' => $this->say->powerLabel(), 'torque' => $this->say->torqueLabel(), 'money' => $this->say->symbol(), 'tenths' => $this->say->tenths()],
            'target' => $this->target($brief->target, $this->estimate->target(count($this->estimate->results) - 1)),
            'budget' => ['total' => $maybe($brief->budget->total), 'now' => $maybe($brief->budget->now), 'monthly' => $maybe($brief->budget->monthly)],
            'rpm_range' => ['from' => $brief->rpmRange[0], 'to' => $brief->rpmRange[1]],
            'settings' => $this->settings(),
            'measured' => $this->estimate->allowsChances(),
            'sketched' => $this->estimate->results[0]->likely->sketched,
            'knee' => $this->knee(),
            'promise' => Terms::PROMISE,
        ];
    }

    /**
     * @param  ?float  $asked  of the last stage's car, W or N·m
     * @return array{power: ?float, torque: ?float, at_rpm: ?float}
     */
    private function target(?Target $target, ?float $asked): array
    {
        return [
            'power' => $target?->power === null || $asked === null ? null : $this->say->power($asked),
            'torque' => $target?->torque === null ? null : $this->say->torque($target->torque),
            'at_rpm' => $target?->atRpm,
        ];
    }

    /** @return array{stacking: string, loss: string, price_basis: string, sentence: string} */
    private function settings(): array
    {
        $settings = $this->estimate->bundle->plan->settings;
        $share = sprintf('%.0f %%', 100 * $this->estimate->bundle->brief->car->lossShare());
        $crank = $settings->constantLoss
            ? "a constant loss that is {$share} at the stock car’s peak"
            : "a loss of {$share} between crank and wheels";

        return [
            'stacking' => $settings->stacking->value,
            'loss' => $settings->constantLoss ? 'constant' : 'percentage',
            'price_basis' => $settings->priceBasis->value,
            'sentence' => 'Gains '.Terms::stacking($settings->stacking).", {$crank}, prices ".Terms::priceBasis($settings->priceBasis).'.',
        ];
    }

    /** @return ?array{stage: int, sentence: string} */
    private function knee(): ?array
    {
        $stage = $this->estimate->knee();
        if ($stage === null) {
            return null;
        }
        $brief = $this->estimate->bundle->brief;
        [$unit, $of] = match (true) {
            $brief->wishesArea() => [0.01, "% of torque from {$this->say->sayRpm($brief->rpmRange[0])} to {$this->say->sayRpm($brief->rpmRange[1])}"],
            $brief->target?->torque !== null => [$this->say->units->torque->newtonMetres(), "{$this->say->torqueLabel()} at {$this->say->sayRpm((float) $brief->target->atRpm)}"],
            default => [$this->say->units->power->watts(), $this->say->powerLabel()],
        };
        $each = $this->say->sayMoney((int) round($this->estimate->costPerWished($stage + 1) * $unit));

        return ['stage' => $stage, 'sentence' => "knee: the next stage costs {$each} per {$of}"];
    }
}
