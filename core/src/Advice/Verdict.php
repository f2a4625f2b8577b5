<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Warning;
use Pebblerun\Core\Report\StageNotes;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\LimitWords;

/** Says in short sentences how a plan stands against its brief. */
final readonly class Verdict
{
    private const SURE = 0.8;

    private const EVEN = 0.5;

    public function __construct(private Estimate $estimate, private UnitFormatter $say) {}

    /** @return list<VerdictLine> target, budget, limits, build, fuel, law */
    public function sentences(): array
    {
        return [$this->target(), $this->budget(), $this->limits(), $this->build(), $this->fuel(), $this->law()];
    }

    private function target(): VerdictLine
    {
        $last = $this->estimate->last();
        $target = $this->estimate->bundle->brief->target;
        $reached = $this->say->sayPower($last->power->p50);
        if ($target === null) {
            return new VerdictLine('target', Status::Unknown, "{$reached} likely", 'no target asked yet', []);
        }
        $draws = $this->estimate->reached();
        $words = match (true) {
            $target->seconds !== null => "{$this->say->sayPower($target->asked())} for {$this->say->numerals->write($target->seconds, 1)} s",
            $target->power !== null => $this->say->sayPower($target->power),
            default => $this->say->sayTorque((float) $target->torque).' at '.$this->say->sayRpm((float) $target->atRpm),
        };
        $reached = $target->power !== null ? $reached : $this->say->sayTorque($draws->p50);
        $chance = (float) $draws->chance;
        $status = match (true) {
            $chance >= self::SURE => Status::Clear,
            $chance >= self::EVEN => Status::Close,
            default => Status::Over,
        };
        $measured = $this->estimate->bundle->brief->came->allowsChances();
        $headline = $this->estimate->isShort() ? "{$reached} likely falls short of {$words}" : "{$reached} likely, {$words} asked";
        $say = fn (float $value): string => $target->power !== null ? $this->say->sayPower($value) : $this->say->sayTorque($value);
        $reasons = [
            "Eight cars in ten land between {$say($draws->p10)} and {$say($draws->p90)}.",
            "Quoted gains simply added up would promise {$this->say->sayPower($last->plainSum)}.",
        ];
        if ($target->seconds !== null) {
            $reasons[] = "A quarter mile in {$this->say->numerals->write($target->seconds, 1)} s asks about that much of this car’s mass with driver: a rule of thumb, for a closed course.";
        }
        foreach ($last->bindings as $binding) {
            $reasons[] = "{$binding->ceiling->name} costs {$this->say->sayPower($binding->power)}.";
        }

        array_push($reasons, ...$this->trades());

        return $measured
            ? new VerdictLine('target', $status, $headline, sprintf('%d in 100 such cars get there', round(100 * $chance)), $reasons)
            : new VerdictLine('target', $status === Status::Clear ? Status::Close : $status, $headline, 'no chance stated: not measured yet', [
                'A chance needs this car’s own baseline and a passed health check.', ...$reasons,
            ]);
    }

    /** @return list<string> stages that pull less somewhere than the one before */
    private function trades(): array
    {
        $notes = new StageNotes($this->estimate->bundle->catalog->platform, $this->say);
        $sentences = [];
        foreach (array_keys($this->estimate->results) as $stage) {
            $trade = $notes->trade($this->estimate->trade($stage));
            if ($trade !== null) {
                $sentences[] = "Stage {$stage}: ".lcfirst($trade['sentence']);
            }
        }

        return $sentences;
    }

    private function budget(): VerdictLine
    {
        $costs = $this->estimate->costs;
        $total = $this->estimate->total();
        $budget = $this->estimate->bundle->brief->budget;
        $reasons = [];
        if ($budget->now !== null && isset($costs[1])) {
            $spend = $this->say->sayMoney($costs[1]->spend->likely);
            $reasons[] = $costs[1]->spend->likely > $budget->now
                ? "Stage 1 costs {$spend}, more than the {$this->say->sayMoney($budget->now)} there is now."
                : "Stage 1 costs {$spend} of the {$this->say->sayMoney($budget->now)} there is now.";
        }
        $spent = $this->bought();
        if ($spent > 0) {
            $reasons[] = "{$this->say->sayMoney($spent)} of it is for parts that are bought already.";
        }
        if ($budget->total === null) {
            return new VerdictLine('budget', Status::Unknown, "{$this->say->sayMoney($total->likely)} in all", 'no budget asked yet', $reasons);
        }
        $left = $budget->total - $total->likely;
        $status = match (true) {
            $left < 0 => Status::Over,
            $total->high > $budget->total => Status::Close,
            default => Status::Clear,
        };
        $reserve = $this->estimate->bundle->rates->reserve / 100;
        $reasons[] = "All in: parts, labour, dyno time, tax and a reserve of {$reserve} %. It may run from {$this->say->sayMoney($total->low)} to {$this->say->sayMoney($total->high)}.";

        return new VerdictLine(
            'budget', $status,
            "{$this->say->sayMoney($total->likely)} of {$this->say->sayMoney($budget->total)}",
            $left < 0 ? "{$this->say->sayMoney(-$left)} too much" : "{$this->say->sayMoney($left)} left, reserve inside",
            $reasons,
        );
    }

    /** Minor units in parts on the shelf, tax in. */
    private function bought(): int
    {
        $spent = 0;
        foreach ($this->estimate->costs as $cost) {
            foreach ($cost->lines as $line) {
                $spent += $line->bought ? $line->goods->plus($line->goods->share($this->estimate->bundle->rates->tax, 10_000))->likely : 0;
            }
        }

        return $spent;
    }

    private function limits(): VerdictLine
    {
        $appetite = $this->estimate->bundle->brief->appetite;
        $weakest = $this->estimate->weakest();
        $reasons = [];
        foreach ($this->estimate->results as $i => $result) {
            if ($i > 0) {
                array_push($reasons, ...$this->limitReasons($result, $i));
            }
        }
        if ($weakest === null) {
            return new VerdictLine('limits', Status::Unknown, 'No stage to check yet', '', []);
        }
        $worst = $weakest->reading;
        $allowed = $appetite->allows($worst->status);
        $headline = $worst->limit->name.' at '.round(100 * (float) $worst->used)." % in stage {$weakest->stage}";
        $detail = $allowed
            ? "{$worst->status->words()}; a {$appetite->value} plan allows it"
            : ucfirst($worst->limit->consequence);

        return new VerdictLine('limits', $worst->status, $headline, $detail, $reasons ?: ['Every limit is clear at every stage.']);
    }

    /** @return list<string> */
    private function limitReasons(StageResult $result, int $stage): array
    {
        $noted = array_filter($result->readings, fn (LimitReading $reading): bool => $reading->status->severity() > Status::Clear->severity());

        return array_values(array_map(fn (LimitReading $reading): string => "Stage {$stage}: ".LimitWords::of($reading, $this->say), $noted));
    }

    private function build(): VerdictLine
    {
        $faults = [...$this->failedChecks(), ...$this->findings(fn (Finding $finding): bool => $finding->kind->isFault() && $finding->kind !== FindingKind::Law)];
        $notes = $this->findings(fn (Finding $finding): bool => ! $finding->kind->isFault());
        $count = count($faults);
        if ($count === 0) {
            return new VerdictLine('build', Status::Clear, 'Everything has what it needs', $notes === [] ? 'no conflicts, all covered' : count($notes).' to consider', $notes);
        }

        return new VerdictLine('build', Status::Over, $count === 1 ? 'One thing is open' : "{$count} things are open", $faults[0], [...$faults, ...$notes]);
    }

    /** @return list<string> */
    private function failedChecks(): array
    {
        return array_map(
            fn (HealthCheck $check): string => "As it came: the check of {$check->words()} found something. Put that right before it gets more power.",
            $this->estimate->bundle->brief->came->failed,
        );
    }

    private function fuel(): VerdictLine
    {
        $within = $this->estimate->bundle->brief->fuels;
        $last = $this->estimate->last()->model->state->fuel;
        $out = [];
        foreach ($this->estimate->results as $i => $result) {
            $fuel = $result->model->state->fuel;
            if ($i > 0 && $within !== null && ! in_array($fuel->key, $within, true)) {
                $out[] = "Stage {$i} runs on {$fuel->name}, which is not within reach.";
            }
        }
        $content = $last->ethanol->likely > 15.0
            ? sprintf('%d–%d %% ethanol at the pump', $last->ethanol->low, $last->ethanol->high)
            : 'at every pump in reach';

        return match (true) {
            $out !== [] => new VerdictLine('fuel', Status::Over, "{$last->name} is out of reach", $out[0], $out),
            $within === null => new VerdictLine('fuel', Status::Unknown, $last->name, 'fuels within reach not asked yet', []),
            default => new VerdictLine('fuel', $last->ethanol->likely > 15.0 ? Status::Close : Status::Clear, $last->name, $content, []),
        };
    }

    private function law(): VerdictLine
    {
        $faults = $this->findings(fn (Finding $finding): bool => $finding->kind === FindingKind::Law);
        $notes = [];
        foreach ($this->estimate->last()->model->state->parts() as $mounted) {
            if ($mounted->part->lawNote !== '' && ! $mounted->part->trackOnly) {
                $notes[] = "{$mounted->part->name}: {$mounted->part->lawNote}";
            }
        }
        $wishes = $this->estimate->bundle->brief->wishes;
        if ($wishes->strictInspection && $notes !== []) {
            $notes[] = 'Inspection is strict here: enter every one of these before the next date.';
        }
        if ($wishes->warranty) {
            $notes[] = Warning::Warranty->text();
        }
        $track = $this->estimate->bundle->brief->car->use === 'track';

        return match (true) {
            $faults !== [] => new VerdictLine('law', Status::Over, 'Not for the road', $faults[0], $faults),
            $track => new VerdictLine('law', Status::Close, 'Track only', 'never on a public road like this', $notes),
            $notes !== [] => new VerdictLine('law', Status::Close, 'Road use, checks due', count($notes).' to show; local rules decide', $notes),
            default => new VerdictLine('law', Status::Clear, 'Nothing that the road forbids', 'local rules decide', []),
        };
    }

    /**
     * @param  callable(Finding): bool  $which
     * @return list<string> each sentence once, with the first stage it shows in
     */
    private function findings(callable $which): array
    {
        $sentences = [];
        foreach ($this->estimate->findings as $stage => $findings) {
            foreach (array_filter($findings, $which) as $finding) {
                $sentences[$finding->sentence] ??= ($stage === 0 ? 'As it came: ' : "Stage {$stage}: ").$finding->sentence;
            }
        }

        return array_values($sentences);
    }
}
