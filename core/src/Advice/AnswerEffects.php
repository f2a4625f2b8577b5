<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Job\Plan\Plan;
use Pebblerun\Core\Report\UnitFormatter;

/** What each answer of the brief changes, on the plan as it stands: said beside the question. */
final readonly class AnswerEffects
{
    private TargetReach $reach;

    public function __construct(private Estimate $estimate, private UnitFormatter $say)
    {
        $this->reach = new TargetReach($estimate);
    }

    /** @return array<string, list<string>> sentences by question */
    public function sentences(): array
    {
        return [
            'target' => $this->target(),
            'budget' => $this->budget(),
            'range' => $this->range(),
            'fuels' => $this->fuels(),
            'use' => $this->use(),
            'gearbox' => $this->gearbox(),
            'risk' => $this->risk(),
        ];
    }

    /** @return list<string> */
    private function target(): array
    {
        $asked = $this->asked();
        if ($asked === null) {
            return [];
        }
        $start = $this->estimate->results[0]->power->p50;
        $more = sprintf('%+.0f %% on how it came in.', 100 * ($asked / $start - 1.0));
        foreach ($this->estimate->results as $i => $result) {
            if ($i > 0 && $result->power->p50 >= $asked) {
                return [$more, "The plan is there after stage {$i}, at {$this->say->sayMoney($this->estimate->costs[$i]->cumulative->likely)} in all."];
            }
        }
        $way = $this->closest($this->estimate->bundle->plan, $asked);

        return $way === null ? [$more, 'No single part more gets this plan there.'] : [$more, "The least that gets this plan there: {$way}."];
    }

    private function asked(): ?float
    {
        return $this->estimate->bundle->brief->target?->power;
    }

    /** @return list<string> */
    private function budget(): array
    {
        $budget = $this->estimate->bundle->brief->budget;
        $sentences = [];
        foreach ($this->estimate->costs as $i => $cost) {
            if ($i < 2 || $budget->monthly === null || $budget->monthly <= 0) {
                continue;
            }
            $months = (int) ceil($cost->spend->likely / $budget->monthly);
            $sentences[] = "Stage {$i} takes {$months} ".($months === 1 ? 'month' : 'months')." of {$this->say->sayMoney($budget->monthly)}.";
        }

        return $sentences;
    }

    /** @return list<string> */
    private function range(): array
    {
        $brief = $this->estimate->bundle->brief;
        $last = $this->estimate->last();
        $peak = $last->likely->peakPower()->rpm;
        $share = sprintf('%+.0f %% torque there in the last stage.', 100 * $last->usedGain);

        return $peak > $brief->range[1]
            ? [$share, "Its power peak at {$this->say->sayRpm($peak)} lies above what is used: weigh the range more than the peak."]
            : [$share];
    }

    /**
     * What the same parts would give on every fuel of the shop, mapped for it, and the least that makes up what is missing.
     *
     * @return list<string>
     */
    private function fuels(): array
    {
        $plan = $this->estimate->bundle->plan;
        $asked = $this->asked();
        if ($plan->stages === []) {
            return [];
        }
        $sentences = [];
        foreach ($this->estimate->bundle->catalog->fuels as $fuel) {
            $mapped = $this->reach->mapped($plan->withLastFuel($fuel->key));
            $peak = $this->reach->peak($mapped);
            $short = $asked === null ? 0.0 : $asked - $peak;
            $says = "{$fuel->name}: the same parts, mapped for it, likely give {$this->say->sayPower($peak)}";
            $way = $short > 0.0 && ! $this->estimate->isShort() ? $this->closest($mapped, (float) $asked) : null;
            $sentences[] = $says.($short <= 0.0 ? '.' : ", {$this->say->sayPower($short)} short".($way === null ? '.' : "; {$way} would make it up."));
        }

        return $sentences;
    }

    /** The cheapest single part that reaches what is asked, in words. */
    private function closest(Plan $plan, float $asked): ?string
    {
        $way = $this->reach->cheapest($plan, $asked);

        return $way === null ? null : "{$way->part->name}, + {$this->say->sayMoney($way->costs)} for the part and its fitting";
    }

    /** @return list<string> */
    private function use(): array
    {
        $closed = 0;
        foreach ($this->estimate->bundle->catalog->parts as $part) {
            $closed += $part->trackOnly ? 1 : 0;
        }

        return match (true) {
            $closed === 0 => [],
            $this->estimate->bundle->brief->car->use === 'track' => [self::parts($closed).' for closed courses only may be proposed.'],
            default => ['The road leaves out '.lcfirst(self::parts($closed)).' of this platform’s catalogue.'],
        };
    }

    private static function parts(int $count): string
    {
        return $count === 1 ? 'One part' : "{$count} parts";
    }

    /** @return list<string> */
    private function gearbox(): array
    {
        $readings = array_filter($this->estimate->last()->readings, fn (LimitReading $reading): bool => $reading->limit->slot === 'gearbox' && $reading->used !== null);
        usort($readings, fn (LimitReading $a, LimitReading $b): int => $b->used <=> $a->used);

        return $readings === [] ? [] : [sprintf('%s: %d %% of safe in the last stage, %s.', $readings[0]->limit->name, round(100 * (float) $readings[0]->used), $readings[0]->status->words())];
    }

    /** @return list<string> what each appetite would say to this plan */
    private function risk(): array
    {
        $worst = [];
        foreach ($this->estimate->results as $i => $result) {
            $weakest = $i > 0 ? $result->weakest() : null;
            if ($weakest !== null) {
                $worst[] = [$i, $weakest];
            }
        }

        return array_map(fn (Risk $appetite): string => $this->verdictOf($appetite, $worst), Risk::cases());
    }

    /** @param  list<array{int, LimitReading}>  $worst */
    private function verdictOf(Risk $appetite, array $worst): string
    {
        foreach ($worst as [$stage, $reading]) {
            if (! $appetite->allows($reading->status)) {
                return ucfirst($appetite->value).": refuses {$reading->limit->name} in stage {$stage} ({$reading->status->words()}).";
            }
        }

        return ucfirst($appetite->value).': allows every stage.';
    }
}
