<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Advice\FixCode;
use Pebblerun\Core\Advice\Message;
use Pebblerun\Core\Advice\Reaching;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what a fix does. */
final readonly class FixWords
{
    public function __construct(private UnitFormatter $say) {}

    public function of(Message $message): string
    {
        assert($message->code instanceof FixCode);
        $p = $message->parameters;

        return match ($message->code) {
            FixCode::FitToReach => self::names($p['way']->parts).' in the last stage, mapped in, likely '.(count($p['way']->parts) === 1 ? 'gives' : 'give')." {$this->figure($p['target'], $p['way'])}.",
            FixCode::UsedPrices => "With second-hand prices it comes to {$this->say->sayMoney($p['total'])}.",
            FixCode::WithoutPart => 'Without '.self::names($p['parts'])." it comes to {$this->say->sayMoney($p['total'])}, for {$this->say->sayPower($p['lost'])}.",
            FixCode::BearsAll => self::names($p['parts'])." in stage {$p['stage']}, and every limit is within what was asked.",
            FixCode::BearsMore => self::names($p['parts'])." in stage {$p['stage']}, then {$p['next']->reading->limit->name} becomes the weakest link in stage {$p['next']->stage}.",
            FixCode::HoldTorque => "Cap torque at {$this->say->sayTorque($p['hold']->torque)} from {$this->say->sayRpm($p['hold']->from)} to {$this->say->sayRpm($p['hold']->to)} from stage {$p['stage']} on: costs {$this->say->sayPower($p['power'])} and {$this->say->sayTorque($p['torque'])} at their peaks.",
            FixCode::MapOnce => "Map once, in stage {$p['stage']}: the same end for {$this->say->sayMoney($p['saved'])} less. Meanwhile ".($p['waits'] === 1 ? 'one stage runs' : "{$p['waits']} stages run")." without it: {$this->say->sayPower($p['meanwhile'])} instead of {$this->say->sayPower($p['mapped'])} before that.",
            FixCode::FitMissing => self::names($p['parts'])." in stage {$p['stage']}.",
            FixCode::RemovePart => "Remove {$p['part']->name} from stage {$p['stage']}.",
            FixCode::OtherFuel => "{$p['fuel']->name} from stage {$p['stage']} on, mapped for it, likely gives {$this->say->sayPower($p['peak'])} in the end.",
        };
    }

    /** @param  array<Part>  $parts */
    private static function names(array $parts): string
    {
        return Listing::join(array_values(array_map(fn (Part $part): string => $part->name, $parts)), 'and');
    }

    private function figure(Target $target, Reaching $way): string
    {
        return match (true) {
            $target->atRpm !== null => "{$this->say->sayTorque($way->figure)} at {$this->say->sayRpm($target->atRpm)}",
            $target->time !== null => "{$this->say->sayPower($way->figure)}, and the time asks {$this->say->sayPower($way->asked)} then",
            default => $this->say->sayPower($way->figure),
        };
    }
}
