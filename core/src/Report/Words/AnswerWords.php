<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Advice\AnswerEffectCode;
use Pebblerun\Core\Advice\Message;
use Pebblerun\Core\Advice\Reaching;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what an answer of the brief changes. */
final readonly class AnswerWords
{
    public function __construct(private UnitFormatter $say) {}

    public function of(Message $message): string
    {
        assert($message->code instanceof AnswerEffectCode);
        $p = $message->parameters;

        return match ($message->code) {
            AnswerEffectCode::MoreThanReceived => "{$this->say->numerals->signed(100 * $p['share'])} % on the car as received.",
            AnswerEffectCode::ReachedAfter => "The plan is there after stage {$p['stage']}, at {$this->say->sayMoney($p['money'])} in all.",
            AnswerEffectCode::LeastThatReaches => "The least that gets this plan there: {$this->way($p['way'])}.",
            AnswerEffectCode::NothingReaches => 'Neither one part more nor two or three together get this plan there.',
            AnswerEffectCode::MonthsOfSaving => "Stage {$p['stage']} takes {$p['months']} ".($p['months'] === 1 ? 'month' : 'months')." of {$this->say->sayMoney($p['monthly'])}.",
            AnswerEffectCode::TorqueInRange => "{$this->say->numerals->signed(100 * $p['share'])} % torque there in the last stage.",
            AnswerEffectCode::PeakAboveRange => "Its power peak at {$this->say->sayRpm($p['rpm'])} lies above the range in use: weigh the range more than the peak.",
            AnswerEffectCode::FuelGives => $this->fuel($p),
            AnswerEffectCode::HottestDay => sprintf('On the hottest day, %s at %s m, the last stage likely gives %s; heat, turbo and knock are judged there.', $this->say->sayLimit(Quantity::ChargeTemperature, $p['outside']->hottest), $this->say->numerals->write($p['outside']->altitude), $this->say->sayPower($p['power'])),
            AnswerEffectCode::MayBreak => (new BreakingWords($this->say))->of($p['risk'], $p['driving']),
            AnswerEffectCode::ClimbAsks => sprintf('The climb at 80 km/h asks %s of it, %d %%: what is before the turbine is judged under that load.', $this->say->sayPower($p['power']), round(100 * $p['share'])),
            AnswerEffectCode::TrackPartsAllowed => self::parts($p['count']).' for closed courses only may be proposed.',
            AnswerEffectCode::TrackPartsLeftOut => 'The road leaves out '.lcfirst(self::parts($p['count'])).' of this platform’s catalogue.',
            AnswerEffectCode::GearboxLimit => sprintf('%s: %s of safe in the last stage, %s.', $p['reading']->limit->name, LimitWords::percents($p['reading'], $this->say->numerals), Terms::status($p['reading']->status)),
            AnswerEffectCode::RiskAllows => ucfirst(Terms::risk($p['risk'])).': allows every stage.',
            AnswerEffectCode::RiskRefuses => ucfirst(Terms::risk($p['risk'])).": refuses {$p['reading']->limit->name} in stage {$p['stage']} (".Terms::status($p['reading']->status).').',
        };
    }

    /** @param  array<string, mixed>  $p */
    private function fuel(array $p): string
    {
        $gives = "{$p['fuel']->name}: the same parts, mapped for it, likely give {$this->say->sayPower($p['peak'])}";
        if ($p['short'] <= 0.0) {
            return "{$gives}.";
        }

        return "{$gives}, {$this->say->sayPower($p['short'])} short".($p['way'] === null ? '.' : "; {$this->way($p['way'])} would make it up.");
    }

    private function way(Reaching $way): string
    {
        $names = Listing::join(array_map(fn (Part $part): string => $part->name, $way->parts), 'and');

        return "{$names}, + {$this->say->sayMoney($way->costs)} fitted";
    }

    private static function parts(int $count): string
    {
        return $count === 1 ? 'One part' : "{$count} parts";
    }
}
