<?php

namespace Pebblerun\Core\Planning;

use Pebblerun\Core\Build\Estimator;
use Pebblerun\Core\Build\Timeline;
use Pebblerun\Core\Cost\Pricing;
use Pebblerun\Core\Estimate\Estimate;
use Pebblerun\Core\Estimate\Figures;
use Pebblerun\Core\Fuel\Fuel;
use Pebblerun\Core\Limits\Appetite;
use Pebblerun\Core\Limits\Reading;
use Pebblerun\Core\Parts\Part;
use Pebblerun\Core\Plan\Change;
use Pebblerun\Core\Plan\Plan;

/** What each answer of the brief changes, on the plan as it stands: said beside the question. */
final readonly class Implications
{
    public function __construct(private Estimate $estimate, private Figures $say) {}

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
            $mapped = $this->mappedOn($plan, $fuel);
            $peak = $this->peak($mapped);
            $short = $asked === null ? 0.0 : $asked - $peak;
            $says = "{$fuel->name}: the same parts, mapped for it, likely give {$this->say->sayPower($peak)}";
            $way = $short > 0.0 && $this->isReached() ? $this->closest($mapped, (float) $asked) : null;
            $sentences[] = $says.($short <= 0.0 ? '.' : ", {$this->say->sayPower($short)} short".($way === null ? '.' : "; {$way} would make it up."));
        }

        return $sentences;
    }

    private function isReached(): bool
    {
        return $this->asked() !== null && $this->estimate->last()->power->p50 >= $this->asked();
    }

    private function mappedOn(Plan $plan, Fuel $fuel): Plan
    {
        $map = $this->estimate->last()->model->state->map();
        $mapped = $plan->withLastFuel($fuel->key);

        return $map === null ? $mapped : $mapped->withLastChanges(fn (Change $change): bool => $change->part !== $map->key, Change::fit($map->key));
    }

    /** The cheapest single part that brings the likely peak of the last stage to what is asked, in words. */
    private function closest(Plan $plan, float $asked): ?string
    {
        $bundle = $this->estimate->bundle;
        $fitted = array_map(fn ($mounted): Part => $mounted->part, $this->estimate->last()->model->state->parts());
        $spend = $this->spend($plan);
        $best = null;
        $least = PHP_INT_MAX;
        foreach ($bundle->catalog->parts as $part) {
            if ($part->gains === [] || $part->map !== null || in_array($part, $fitted, true) || $part->trackOnly && $bundle->brief->car->use !== 'track') {
                continue;
            }
            $with = $plan->withLastChanges(fn (): bool => true, Change::fit($part->key));
            $costs = $this->spend($with) - $spend;
            if ($costs < $least && $this->peak($this->mapLast($with)) >= $asked) {
                [$best, $least] = [$part, $costs];
            }
        }

        return $best === null ? null : "{$best->name}, + {$this->say->sayMoney($least)} for the part and its fitting";
    }

    /** The same with the map written last of all, so that it covers what was added. */
    private function mapLast(Plan $plan): Plan
    {
        $map = $this->estimate->last()->model->state->map();

        return $map === null ? $plan : $plan->withLastChanges(fn (Change $change): bool => $change->part !== $map->key, Change::fit($map->key));
    }

    private function peak(Plan $plan): float
    {
        $peaks = (new Estimator($this->estimate->bundle->catalog, $this->estimate->bundle->brief, $plan))->likelyPeaks();

        return $peaks[count($peaks) - 1][0];
    }

    private function spend(Plan $plan): int
    {
        $bundle = $this->estimate->bundle;
        $costs = (new Pricing($bundle->rates, $plan->basis))->of(Timeline::of($plan, $bundle->brief->came, $bundle->catalog, $bundle->brief->car));

        return $costs[count($costs) - 1]->spend->likely;
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
        $readings = array_filter($this->estimate->last()->readings, fn (Reading $reading): bool => $reading->limit->slot === 'gearbox' && $reading->used !== null);
        usort($readings, fn (Reading $a, Reading $b): int => $b->used <=> $a->used);

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

        return array_map(fn (Appetite $appetite): string => $this->verdictOf($appetite, $worst), Appetite::cases());
    }

    /** @param  list<array{int, Reading}>  $worst */
    private function verdictOf(Appetite $appetite, array $worst): string
    {
        foreach ($worst as [$stage, $reading]) {
            if (! $appetite->allows($reading->status)) {
                return ucfirst($appetite->value).": refuses {$reading->limit->name} in stage {$stage} ({$reading->status->words()}).";
            }
        }

        return ucfirst($appetite->value).': allows every stage.';
    }
}
