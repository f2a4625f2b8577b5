<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Evaluation\Baseline\BaselineDoubt;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Belief;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Findings\FindingKind;
use Pebblerun\Core\Evaluation\KnownCar;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Warning;

/** How a plan stands against its brief. */
final readonly class Verdict
{
    private const SURE = 0.8;

    private const EVEN = 0.5;

    /** A blend above this content is not at every pump, percent. */
    private const STRONG_BLEND = 15.0;

    public function __construct(private Estimate $estimate) {}

    /** @return list<VerdictLine> target, budget, limits, build, fuel, law */
    public function lines(): array
    {
        return [$this->target(), $this->budget(), $this->limits(), $this->build(), $this->fuel(), $this->law()];
    }

    private function target(): VerdictLine
    {
        $last = $this->estimate->last();
        $target = $this->estimate->bundle->brief->target;
        if ($target === null) {
            return new VerdictLine(VerdictSubject::Target, Status::Unknown, new Message(VerdictCode::NoTarget, ['power' => $last->power->p50]), new Message(VerdictCode::TargetNotSet), $this->unmeasured());
        }
        $draws = $this->estimate->reached();
        $asked = $target->askedOf($last->state->build->parts);
        $chance = (float) $draws->chance;
        $within = (float) $last->chanceWithin($this->estimate->bundle->brief->risk);
        $overLimit = ($last->weakest()->status ?? Status::Clear)->severity() >= Status::Over->severity();
        // The worse of the two: what is reached past a limit is not reached.
        $status = match (true) {
            min($chance, $within) >= self::SURE && ! $overLimit => Status::Clear,
            min($chance, $within) >= self::EVEN => Status::Close,
            default => Status::Over,
        };
        $headline = new Message($this->estimate->isShort() ? VerdictCode::FallsShort : VerdictCode::Reaches, ['reached' => $draws->p50, 'target' => $target, 'asked' => $asked]);
        $reasons = [
            new Message(VerdictCode::Range, ['p10' => $draws->p10, 'p90' => $draws->p90, 'target' => $target]),
            new Message(VerdictCode::PlainSum, ['power' => $last->plainSum]),
        ];
        if ($target->time !== null) {
            $reasons[] = new Message(VerdictCode::QuarterMile, ['seconds' => $target->time->seconds, 'less' => $target->eased([], $last->state->build->parts)]);
        }
        foreach ($last->ceilings as $cost) {
            $reasons[] = new Message(VerdictCode::CeilingCosts, ['cost' => $cost]);
        }
        array_push($reasons, ...$this->torqueLosses(), ...$this->evidence());

        $brief = $this->estimate->bundle->brief;

        array_unshift($reasons, ...$this->baseline());

        return $this->estimate->allowsChances()
            ? new VerdictLine(VerdictSubject::Target, $status, $headline, new Message(VerdictCode::Chance, ['share' => $chance, 'within' => $within, 'unjudged' => $last->unjudged()]), $reasons)
            : new VerdictLine(
                VerdictSubject::Target, $status === Status::Clear ? Status::Close : $status, $headline,
                new Message($this->whyNoChance()),
                [...($brief->received->isMeasuredAndHealthy() ? [] : [new Message(VerdictCode::NeedsBaseline)]), ...$this->unmeasured(), ...$reasons],
            );
    }

    /** @return list<Message> what the platform's figures are, where they stand in for this car's */
    private function unmeasured(): array
    {
        if ($this->estimate->isMeasured()) {
            return [];
        }
        $frame = $this->estimate->bundle->catalog->platform->source->frame;
        $car = $this->estimate->bundle->brief->car;

        return [
            ...($car->wear() === 0.0 ? [] : [new Message(VerdictCode::Worn, ['km' => (float) $car->mileage, 'less' => 1.0 - KnownCar::ofStock($car)])]),
            ...($frame->isOwn() ? [] : [new Message(VerdictCode::Converted, ['frame' => $frame])]),
        ];
    }

    private function whyNoChance(): VerdictCode
    {
        $received = $this->estimate->bundle->brief->received;

        return match (true) {
            $received->failed !== [] => VerdictCode::MendFirst,
            $received->isMeasuredAndHealthy() => VerdictCode::BaselineDoubted,
            default => VerdictCode::NoChance,
        };
    }

    /** @return list<Message> what is hard to believe of the car's own baseline, and who stands by it */
    private function baseline(): array
    {
        $doubts = $this->estimate->baselineDoubts();
        $confirmed = $this->estimate->bundle->brief->received->confirmed;

        return [
            ...array_map(fn (BaselineDoubt $doubt): Message => new Message(VerdictCode::BaselineDoubt, ['doubt' => $doubt]), $doubts),
            ...($doubts === [] || $confirmed === null ? [] : [new Message(VerdictCode::BaselineConfirmed, ['confirmed' => $confirmed])]),
        ];
    }

    /** @return list<Message> what the range rests on, and what would narrow it most */
    private function evidence(): array
    {
        $narrowing = new Narrowing($this->estimate);
        $shares = $narrowing->restsOn();
        $most = $narrowing->most();

        return [
            ...($shares === [] ? [] : [new Message(VerdictCode::RestsOn, ['shares' => $shares])]),
            ...($most === null ? [] : [new Message(VerdictCode::NarrowsMost, $most)]),
        ];
    }

    /** @return list<Message> stages that pull less somewhere than the one before */
    private function torqueLosses(): array
    {
        $losses = [];
        foreach (array_keys($this->estimate->results) as $stage) {
            $loss = $this->estimate->torqueLoss($stage);
            if ($loss !== null) {
                $losses[] = new Message(VerdictCode::TorqueLoss, ['stage' => $stage, 'loss' => $loss]);
            }
        }

        return $losses;
    }

    private function budget(): VerdictLine
    {
        $total = $this->estimate->total();
        $budget = $this->estimate->bundle->brief->budget;
        $reasons = [];
        if ($budget->now !== null && isset($this->estimate->costs[1])) {
            $spend = $this->estimate->costs[1]->spend->likely;
            $reasons[] = new Message($spend > $budget->now ? VerdictCode::FirstStageOver : VerdictCode::FirstStageWithin, ['spend' => $spend, 'now' => $budget->now]);
        }
        $bought = $this->bought();
        if ($bought > 0) {
            $reasons[] = new Message(VerdictCode::BoughtAlready, ['money' => $bought]);
        }
        if ($budget->total === null) {
            return new VerdictLine(VerdictSubject::Budget, Status::Unknown, new Message(VerdictCode::Total, ['total' => $total->likely]), new Message(VerdictCode::BudgetNotSet), $reasons);
        }
        $left = $budget->total - $total->likely;
        $status = match (true) {
            $left < 0 => Status::Over,
            $total->high > $budget->total => Status::Close,
            default => Status::Clear,
        };
        $reasons[] = new Message(VerdictCode::AllIn, ['reserve' => $this->estimate->bundle->shop->rates->reserve / 100, 'low' => $total->low, 'high' => $total->high]);

        return new VerdictLine(
            VerdictSubject::Budget, $status,
            new Message(VerdictCode::TotalOfBudget, ['total' => $total->likely, 'budget' => $budget->total]),
            new Message($left < 0 ? VerdictCode::OverBudget : VerdictCode::LeftOver, ['money' => abs($left)]),
            $reasons,
        );
    }

    /** Minor units in parts on the shelf, tax in. */
    private function bought(): int
    {
        $spent = 0;
        foreach ($this->estimate->costs as $cost) {
            foreach ($cost->lines as $line) {
                $spent += $line->bought ? $line->goods->plus($line->goods->share($this->estimate->bundle->shop->rates->tax, 10_000))->likely : 0;
            }
        }

        return $spent;
    }

    private function limits(): VerdictLine
    {
        $weakest = $this->estimate->weakest();
        $accepted = $this->accepted();
        if ($weakest === null) {
            return $accepted === []
                ? new VerdictLine(VerdictSubject::Limits, Status::Unknown, new Message(VerdictCode::NoStages), null, [])
                : new VerdictLine(VerdictSubject::Limits, Status::Close, new Message(VerdictCode::AllAccepted), null, $accepted);
        }
        $risk = $this->estimate->bundle->brief->risk;
        $worst = $weakest->reading;
        $detail = $worst->status === Status::Unknown ? new Message(VerdictCode::JudgeIt, ['quantity' => $worst->limit->quantity]) : (RiskRule::allows($risk, $worst->status)
            ? new Message(VerdictCode::AllowedAtRisk, ['status' => $worst->status, 'risk' => $risk])
            : new Message(VerdictCode::Consequence, ['limit' => $worst->limit]));

        // What was accepted is passed all the same: nothing is clear beside it.
        $status = $worst->status === Status::Clear && $accepted !== [] ? Status::Close : $worst->status;

        return new VerdictLine(
            VerdictSubject::Limits, $status,
            new Message(VerdictCode::WeakestLink, ['reading' => $worst, 'stage' => $weakest->stage]), $detail,
            [...$accepted, ...$this->notedLimits()] ?: [new Message(VerdictCode::AllLimitsClear)],
        );
    }

    /** @return list<Message> limits that somebody accepted, each once */
    private function accepted(): array
    {
        $accepted = [];
        foreach ($this->estimate->results as $stage => $result) {
            foreach ($result->accepted() as $reading) {
                $accepted[$reading->limit->key] ??= new Message(VerdictCode::LimitAccepted, ['reading' => $reading, 'stage' => $stage]);
            }
        }

        return array_values($accepted);
    }

    /** @return list<Message> limits that are more than clear, by stage */
    private function notedLimits(): array
    {
        $noted = [];
        foreach ($this->estimate->results as $stage => $result) {
            foreach ($stage === 0 ? [] : $result->readings as $reading) {
                if ($reading->status->severity() > Status::Clear->severity()) {
                    $noted[] = new Message(VerdictCode::LimitNoted, ['reading' => $reading, 'stage' => $stage]);
                }
            }
        }

        return $noted;
    }

    private function build(): VerdictLine
    {
        $faults = [...$this->failedChecks(), ...$this->shortOfFuel(), ...$this->findings(fn (FindingKind $kind): bool => $kind->isFault() && $kind !== FindingKind::Law)];
        $loads = $this->engineLoads();
        $notes = [...$loads, ...$this->findings(fn (FindingKind $kind): bool => ! $kind->isFault())];
        if ($faults === []) {
            $detail = $notes === [] ? new Message(VerdictCode::NoConflicts) : new Message(VerdictCode::ToConsider, ['count' => count($notes)]);

            return new VerdictLine(VerdictSubject::Build, $this->isBeyondBelief() ? Status::Close : Status::Clear, new Message(VerdictCode::Complete), $detail, $notes);
        }

        return new VerdictLine(VerdictSubject::Build, Status::Over, new Message(VerdictCode::OpenFaults, ['count' => count($faults)]), $faults[0], [...$faults, ...$notes]);
    }

    /** @return list<Message> stages that run lean */
    private function shortOfFuel(): array
    {
        $short = [];
        foreach ($this->estimate->results as $stage => $result) {
            foreach ($result->shortOfFuel() as $reading) {
                $short[] = new Message(VerdictCode::ShortOfFuel, ['reading' => $reading, 'stage' => $stage]);
            }
        }

        return $short;
    }

    private function isBeyondBelief(): bool
    {
        return array_filter($this->engineLoads(), fn (Message $load): bool => $load->parameters['load']->belief === Belief::Beyond) !== [];
    }

    /** @return list<Message> stages that ask more of the engine than is usual */
    private function engineLoads(): array
    {
        $loads = [];
        foreach ($this->estimate->results as $stage => $result) {
            $load = EngineLoad::of($result, $this->estimate->bundle->catalog->platform, $this->estimate->evaluator->losses[0]);
            if ($load->belief !== Belief::Usual) {
                $loads[] = new Message(VerdictCode::EngineLoad, ['stage' => $stage, 'load' => $load]);
            }
        }

        return $loads;
    }

    /** @return list<Message> */
    private function failedChecks(): array
    {
        return array_map(fn (HealthCheck $check): Message => new Message(VerdictCode::FailedCheck, ['check' => $check]), $this->estimate->bundle->brief->received->failed);
    }

    private function fuel(): VerdictLine
    {
        $within = $this->estimate->bundle->brief->fuels;
        $last = $this->estimate->last()->state->build->fuel;
        $out = [];
        foreach ($this->estimate->results as $stage => $result) {
            $fuel = $result->state->build->fuel;
            if ($stage > 0 && $within !== null && ! in_array($fuel->key, $within, true)) {
                $out[] = new Message(VerdictCode::StageFuelOutOfReach, ['fuel' => $fuel, 'stage' => $stage]);
            }
        }
        $strong = $last->ethanol->likely > self::STRONG_BLEND;
        [$status, $detail] = match (true) {
            $out !== [] => [Status::Over, $out[0]],
            $within === null => [Status::Unknown, new Message(VerdictCode::FuelsNotSet)],
            $strong => [Status::Close, new Message(VerdictCode::EthanolAtPump, ['fuel' => $last])],
            default => [Status::Clear, new Message(VerdictCode::AtEveryPump)],
        };

        return new VerdictLine(VerdictSubject::Fuel, $status, new Message($out === [] ? VerdictCode::RunsOn : VerdictCode::FuelOutOfReach, ['fuel' => $last]), $detail, [...$out, ...$this->fuelCeilings()]);
    }

    /** @return list<Message> */
    private function fuelCeilings(): array
    {
        $ceilings = array_filter($this->estimate->last()->model->ceilings, fn (Ceiling $ceiling): bool => $ceiling->standsForFuelFlow());

        return array_values(array_map(fn (Ceiling $ceiling): Message => new Message(VerdictCode::FuelAsCeiling, ['ceiling' => $ceiling]), $ceilings));
    }

    private function law(): VerdictLine
    {
        $faults = $this->findings(fn (FindingKind $kind): bool => $kind === FindingKind::Law);
        $notes = $this->lawNotes();
        $track = $this->estimate->bundle->brief->car->use === CarUse::Track;
        [$status, $headline, $detail, $reasons] = match (true) {
            $faults !== [] => [Status::Over, VerdictCode::NotForRoad, $faults[0], $faults],
            $track => [Status::Close, VerdictCode::TrackOnly, new Message(VerdictCode::NeverOnRoad), $notes],
            $notes !== [] => [Status::Close, VerdictCode::RoadChecksDue, new Message(VerdictCode::ChecksToShow, ['count' => count($notes)]), $notes],
            default => [Status::Clear, VerdictCode::NothingForbidden, new Message(VerdictCode::CheckLocalRules), []],
        };

        return new VerdictLine(VerdictSubject::Law, $status, new Message($headline), $detail, $reasons);
    }

    /** @return list<Message> */
    private function lawNotes(): array
    {
        $notes = [];
        foreach ($this->estimate->last()->state->build->parts as $part) {
            if ($part->law->note !== '' && ! $part->law->trackOnly) {
                $notes[] = new Message(VerdictCode::LawNote, ['part' => $part]);
            }
        }
        $constraints = $this->estimate->bundle->brief->constraints;
        if ($constraints->strictInspection && $notes !== []) {
            $notes[] = new Message(VerdictCode::StrictInspection);
        }
        if ($constraints->warranty) {
            $notes[] = new Message(VerdictCode::WarrantyEnds, ['warning' => Warning::Warranty]);
        }

        return $notes;
    }

    /**
     * @param  callable(FindingKind): bool  $which
     * @return list<Message> each finding once, with the first stage it shows in
     */
    private function findings(callable $which): array
    {
        $messages = [];
        foreach ($this->estimate->results as $stage => $result) {
            foreach (array_filter($result->findings, fn (Finding $finding): bool => $which($finding->kind)) as $finding) {
                $messages[$finding->id] ??= new Message(VerdictCode::FindingNoted, ['finding' => $finding, 'stage' => $stage, 'build' => $result->state->build]);
            }
        }

        return array_values($messages);
    }
}
