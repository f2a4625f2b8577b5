<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Job\Brief\Risk;

/** What each answer of the brief changes, on the plan as it stands: said beside the question. */
final readonly class AnswerEffects
{
    public function __construct(private Estimate $estimate) {}

    /** @return array<string, list<Message>> by question */
    public function byQuestion(): array
    {
        return [
            'target' => $this->target(),
            'budget' => $this->budget(),
            'range' => $this->range(),
            'fuels' => $this->fuels(),
            'outside' => $this->outside(),
            'driving' => $this->driving(),
            'use' => $this->use(),
            'gearbox' => $this->gearbox(),
            'risk' => $this->risk(),
        ];
    }

    /** @return list<Message> */
    private function target(): array
    {
        $target = $this->estimate->bundle->brief->target;
        if ($target?->power === null) {
            return [];
        }
        $more = new Message(AnswerEffectCode::MoreThanReceived, ['share' => $this->estimate->target(0) / $this->estimate->results[0]->power->p50 - 1.0]);
        foreach ($this->estimate->results as $stage => $result) {
            if ($stage > 0 && $result->power->p50 >= $this->estimate->target($stage)) {
                return [$more, new Message(AnswerEffectCode::ReachedAfter, ['stage' => $stage, 'money' => $this->estimate->cumulative($stage)->likely])];
            }
        }
        $way = $this->estimate->bundle->plan->stages === [] ? null : (new TargetReach($this->estimate))->cheapest($target);

        return [$more, $way === null ? new Message(AnswerEffectCode::NothingReaches) : new Message(AnswerEffectCode::LeastThatReaches, ['way' => $way])];
    }

    /** @return list<Message> */
    private function budget(): array
    {
        $monthly = $this->estimate->bundle->brief->budget->monthly ?? 0;
        $messages = [];
        foreach ($monthly <= 0 ? [] : array_slice($this->estimate->costs, 2, null, true) as $stage => $cost) {
            $messages[] = new Message(AnswerEffectCode::MonthsOfSaving, ['stage' => $stage, 'months' => (int) ceil($cost->spend->likely / $monthly), 'monthly' => $monthly]);
        }

        return $messages;
    }

    /** @return list<Message> */
    private function range(): array
    {
        if (! $this->estimate->bundle->brief->rangeAsked) {
            return [];
        }
        $last = $this->estimate->last();
        $peak = $last->likely->peakPower()->rpm;
        $gain = new Message(AnswerEffectCode::TorqueInRange, ['share' => $last->usedGain]);

        return $peak > $this->estimate->bundle->brief->rpmRange[1] ? [$gain, new Message(AnswerEffectCode::PeakAboveRange, ['rpm' => $peak])] : [$gain];
    }

    /** @return list<Message> what the same parts would give on every fuel, mapped for it, and the least that makes up what is missing */
    private function fuels(): array
    {
        if ($this->estimate->bundle->plan->stages === []) {
            return [];
        }
        $target = $this->estimate->bundle->brief->target;
        $asked = $target?->power === null ? null : $this->estimate->target(count($this->estimate->results) - 1);
        $reach = new TargetReach($this->estimate);
        $messages = [];
        foreach ($this->estimate->bundle->catalog->fuels as $fuel) {
            $peak = $reach->peak($fuel);
            $short = $asked === null ? 0.0 : max(0.0, $asked - $peak);
            $way = $target !== null && $short > 0.0 && ! $this->estimate->isShort() ? $reach->cheapest($target, $fuel) : null;
            $messages[] = new Message(AnswerEffectCode::FuelGives, ['fuel' => $fuel, 'peak' => $peak, 'short' => $short, 'way' => $way]);
        }

        return $messages;
    }

    /** @return list<Message> */
    private function driving(): array
    {
        $risk = $this->estimate->bundle->plan->stages === [] ? null : BreakingRisk::of($this->estimate->last(), $this->estimate->bundle);

        return $risk === null ? [] : [new Message(AnswerEffectCode::MayBreak, ['risk' => $risk, 'driving' => $this->estimate->bundle->brief->driving])];
    }

    /** @return list<Message> */
    private function use(): array
    {
        $closed = 0;
        foreach ($this->estimate->bundle->catalog->parts as $part) {
            $closed += $part->law->trackOnly ? 1 : 0;
        }
        $code = $this->estimate->bundle->brief->car->use === CarUse::Track ? AnswerEffectCode::TrackPartsAllowed : AnswerEffectCode::TrackPartsLeftOut;

        return $closed === 0 ? [] : [new Message($code, ['count' => $closed])];
    }

    /** @return list<Message> what the hottest day leaves, and what a climb with a trailer asks of that */
    private function outside(): array
    {
        $last = $this->estimate->last();
        $outside = $this->estimate->bundle->brief->outside;
        $platform = $this->estimate->bundle->catalog->platform;
        $climb = $outside->climb($this->estimate->bundle->brief->car->mass, $platform->body->dragArea);

        return [
            ...($last->hot === null ? [] : [new Message(AnswerEffectCode::HottestDay, ['power' => $last->power->p50 * $last->hot, 'outside' => $outside])]),
            ...($climb === null ? [] : [new Message(AnswerEffectCode::ClimbAsks, ['power' => $climb, 'share' => $climb / max(1.0, $last->power->p50 * ($last->hot ?? 1.0))])]),
        ];
    }

    /** @return list<Message> */
    private function gearbox(): array
    {
        $readings = array_values(array_filter($this->estimate->last()->readings, fn (LimitReading $reading): bool => $reading->limit->slot === 'gearbox' && $reading->used !== null));
        usort($readings, fn (LimitReading $a, LimitReading $b): int => $b->used <=> $a->used);

        return $readings === [] ? [] : [new Message(AnswerEffectCode::GearboxLimit, ['reading' => $readings[0]])];
    }

    /** @return list<Message> what each accepted risk would say to this plan */
    private function risk(): array
    {
        return array_map($this->atRisk(...), Risk::cases());
    }

    private function atRisk(Risk $risk): Message
    {
        foreach ($this->estimate->results as $stage => $result) {
            $weakest = $stage > 0 ? $result->weakestOpen() : null;
            if ($weakest !== null && ! RiskRule::allows($risk, $weakest->status)) {
                return new Message(AnswerEffectCode::RiskRefuses, ['risk' => $risk, 'reading' => $weakest, 'stage' => $stage]);
            }
        }

        return new Message(AnswerEffectCode::RiskAllows, ['risk' => $risk]);
    }
}
