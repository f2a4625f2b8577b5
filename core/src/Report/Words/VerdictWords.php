<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Advice\EngineLoad;
use Pebblerun\Core\Advice\Message;
use Pebblerun\Core\Advice\VerdictCode;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Evaluation\Findings\Belief;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Report\StageNotes;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what a verdict says. */
final readonly class VerdictWords
{
    private FindingWords $findings;

    private LimitWords $limits;

    private StageNotes $notes;

    /** hp; what gearing and mass change by less goes unsaid. */
    private const WORTH_SAYING = 0.5;

    public function __construct(Catalog $catalog, private UnitFormatter $say)
    {
        $this->findings = new FindingWords($catalog);
        $this->limits = new LimitWords($say);
        $this->notes = new StageNotes($catalog->platform, $say);
    }

    public function of(Message $message): string
    {
        assert($message->code instanceof VerdictCode);
        $p = $message->parameters;

        return match ($message->code) {
            VerdictCode::NoTarget => "{$this->say->sayPower($p['power'])} likely",
            VerdictCode::TargetNotSet => 'target not set',
            VerdictCode::Reaches => "{$this->figure($p['target'], $p['reached'])} likely, {$this->target($p['target'], $p['asked'])} asked",
            VerdictCode::FallsShort => "{$this->figure($p['target'], $p['reached'])} likely falls short of {$this->target($p['target'], $p['asked'])}",
            VerdictCode::Chance => LimitWords::chances($p['share'], $p['within'], $p['unjudged']),
            VerdictCode::NoChance => 'no chance stated: not measured yet',
            VerdictCode::MendFirst => 'no chance stated: mend first what the check found',
            VerdictCode::BaselineDoubted => 'no chance stated: the baseline is hard to believe',
            VerdictCode::BaselineDoubt => (new BaselineWords($this->say))->of($p['doubt']),
            VerdictCode::BaselineConfirmed => "{$p['confirmed']->by} confirmed the baseline, {$p['confirmed']->on}.",
            VerdictCode::Converted => 'Not measured: the platform’s curve is '.FrameWords::of($p['frame']).', which is in the range.',
            VerdictCode::Worn => sprintf('At %s km and not measured: %s %% less than the platform’s figures, and a wider range, until a baseline pull says what it gives.', $this->say->numerals->write($p['km']), $this->say->numerals->write(100 * $p['less'], 1)),
            VerdictCode::NeedsBaseline => 'A chance needs this car’s own baseline and a passed health check.',
            VerdictCode::Range => "8 cars in 10: {$this->figure($p['target'], $p['p10'])} to {$this->figure($p['target'], $p['p90'])}.",
            VerdictCode::PlainSum => "Quoted gains simply added up would promise {$this->say->sayPower($p['power'])}.",
            VerdictCode::QuarterMile => "A quarter mile in {$this->say->numerals->write($p['seconds'], 1)} s asks about that much of this car’s mass with driver".$this->easier($p['less']).': a rule of thumb, for a closed course.',
            VerdictCode::CeilingCosts => (new CeilingWords($this->say))->of($p['cost']),
            VerdictCode::TorqueLoss => "Stage {$p['stage']}: ".lcfirst($this->notes->torqueLossSentence($p['loss'])),
            VerdictCode::Total => "{$this->say->sayMoney($p['total'])} in all",
            VerdictCode::TotalOfBudget => "{$this->say->sayMoney($p['total'])} of {$this->say->sayMoney($p['budget'])}",
            VerdictCode::BudgetNotSet => 'budget not set',
            VerdictCode::OverBudget => "{$this->say->sayMoney($p['money'])} too much",
            VerdictCode::LeftOver => "{$this->say->sayMoney($p['money'])} left, reserve included",
            VerdictCode::FirstStageOver => "Stage 1 costs {$this->say->sayMoney($p['spend'])}, more than the {$this->say->sayMoney($p['now'])} there is now.",
            VerdictCode::FirstStageWithin => "Stage 1 costs {$this->say->sayMoney($p['spend'])} of the {$this->say->sayMoney($p['now'])} there is now.",
            VerdictCode::BoughtAlready => "{$this->say->sayMoney($p['money'])} of it is for parts that are bought already.",
            VerdictCode::AllIn => "All in: parts, labour, dyno time, tax and a reserve of {$p['reserve']} %. It may run from {$this->say->sayMoney($p['low'])} to {$this->say->sayMoney($p['high'])}.",
            VerdictCode::NoStages => 'No stage to check yet',
            VerdictCode::WeakestLink => "{$p['reading']->limit->name} ".($p['reading']->used === null ? '' : 'at ').LimitWords::percents($p['reading'], $this->say->numerals)." in stage {$p['stage']}",
            VerdictCode::RestsOn => $this->restsOn($p['shares']),
            VerdictCode::NarrowsMost => 'The range would narrow most by '.($p['part'] === null ? 'a baseline pull' : "reading {$p['part']->name} on the own dyno").": {$this->narrows($p['target'], $p['from'], $p['to'])} wide.",
            VerdictCode::LimitAccepted => "Accepted from stage {$p['stage']} on by {$p['reading']->accepted?->by}, {$p['reading']->accepted?->on}: {$p['reading']->limit->name}, {$p['reading']->accepted?->reason}",
            VerdictCode::AllAccepted => 'Every limit that is passed was accepted',
            VerdictCode::JudgeIt => 'no estimate: '.Terms::judge($p['quantity']),
            VerdictCode::ShortOfFuel => "Stage {$p['stage']}: {$p['reading']->limit->name} cannot deliver what is asked, {$this->say->sayLimit($p['reading']->limit->quantity, $p['reading']->demand)} of {$this->say->sayLimit($p['reading']->limit->quantity, $p['reading']->edge)}: it runs lean. No full load until it delivers more or a map that covers everything holds it back.",
            VerdictCode::AllowedAtRisk => Terms::status($p['status']).'; allowed at '.Terms::risk($p['risk']).' risk',
            VerdictCode::Consequence => ucfirst($p['limit']->consequence),
            VerdictCode::LimitNoted => "Stage {$p['stage']}: {$this->limits->of($p['reading'])}",
            VerdictCode::AllLimitsClear => 'Every limit is clear at every stage.',
            VerdictCode::EngineLoad => $this->engineLoad($p['stage'], $p['load']),
            VerdictCode::Complete => 'Everything has what it needs',
            VerdictCode::NoConflicts => 'no conflicts, all covered',
            VerdictCode::ToConsider => "{$p['count']} to consider",
            VerdictCode::OpenFaults => $p['count'] === 1 ? 'One thing is open' : "{$p['count']} things are open",
            VerdictCode::FailedCheck => 'As received: the check of '.Terms::healthCheck($p['check']).' found something. Put that right before it gets more power.',
            VerdictCode::FindingNoted => ($p['stage'] === 0 ? 'As received' : "Stage {$p['stage']}").": {$this->findings->of($p['finding'], $p['build'])}",
            VerdictCode::FuelOutOfReach => "{$p['fuel']->name} is out of reach",
            VerdictCode::RunsOn => $p['fuel']->name,
            VerdictCode::StageFuelOutOfReach => "Stage {$p['stage']} runs on {$p['fuel']->name}, which is not within reach.",
            VerdictCode::FuelAsCeiling => "{$p['ceiling']->name} is stated as a most for this fuel, not as what it delivers: it holds as it stands, but nothing says when it runs lean. Give its flow among the fuel components.",
            VerdictCode::FuelsNotSet => 'fuels within reach not set',
            VerdictCode::EthanolAtPump => sprintf('%d–%d %% ethanol at the pump', $p['fuel']->ethanol->low, $p['fuel']->ethanol->high),
            VerdictCode::AtEveryPump => 'at every pump in reach',
            VerdictCode::NotForRoad => 'Not for the road',
            VerdictCode::TrackOnly => 'Track only',
            VerdictCode::NeverOnRoad => 'never on a public road like this',
            VerdictCode::RoadChecksDue => 'Road use, checks due',
            VerdictCode::ChecksToShow => "{$p['count']} to show; check local rules",
            VerdictCode::NothingForbidden => 'Nothing that the road forbids',
            VerdictCode::CheckLocalRules => 'check local rules',
            VerdictCode::LawNote => "{$p['part']->name}: {$p['part']->law->note}",
            VerdictCode::StrictInspection => 'Inspection is strict here: enter every one of these before the next date.',
            VerdictCode::WarrantyEnds => Terms::warning($p['warning']),
        };
    }

    /** @param  array<string, float>  $shares  by kind of evidence */
    private function restsOn(array $shares): string
    {
        $said = [];
        foreach ($shares as $kind => $share) {
            $said[] = sprintf('%s for %d %%', Terms::evidence(Evidence::from($kind)), round(100 * $share));
        }

        return 'Its gains rest on '.Listing::join($said, 'and').'.';
    }

    private function figure(Target $target, float $value): string
    {
        return $target->power !== null ? $this->say->sayPower($value) : $this->say->sayTorque($value);
    }

    private function narrows(?Target $target, float $from, float $to): string
    {
        return $target?->torque === null
            ? "{$this->say->writePower($from)} → {$this->say->sayPower($to)}"
            : "{$this->say->writeTorque($from)} → {$this->say->sayTorque($to)}";
    }

    /** @param  float  $less  W that gearing, grip and mass of the plan save */
    private function easier(float $less): string
    {
        return match (true) {
            abs($less) < self::WORTH_SAYING * $this->say->units->power->watts() => '',
            $less > 0.0 => ", {$this->say->sayPower($less)} less with the plan’s gearing, grip and mass",
            default => ", {$this->say->sayPower(-$less)} more with the plan’s gearing and mass",
        };
    }

    private function target(Target $target, float $asked): string
    {
        return match (true) {
            $target->time !== null => "{$this->say->sayPower($asked)} for {$this->say->numerals->write($target->time->seconds, 1)} s",
            $target->power !== null => $this->say->sayPower($target->power),
            default => $this->say->sayTorque((float) $target->torque).' at '.$this->say->sayRpm((float) $target->atRpm),
        };
    }

    private function engineLoad(int $stage, EngineLoad $load): string
    {
        $bar = $this->say->numerals->write($load->pressure / 1e5, 1);
        $unit = $this->say->units->power;
        $perLitre = $this->say->numerals->write($load->powerPerLitre / $unit->watts());
        $who = $stage === 0 ? 'The car as received' : "Stage {$stage}";

        return "{$who} would run at {$bar} bar BMEP and {$perLitre} {$unit->value} a litre at the crank: "
            .($load->belief === Belief::Beyond ? 'beyond what anybody has seen of such an engine. Some figure is wrong.' : 'unusual for such an engine. Look at its figures again.');
    }
}
