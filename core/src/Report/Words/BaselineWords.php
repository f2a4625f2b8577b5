<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Evaluation\Baseline\BaselineDoubt;
use Pebblerun\Core\Evaluation\Baseline\BaselineReason;
use Pebblerun\Core\Evaluation\Baseline\EndsEarly;
use Pebblerun\Core\Evaluation\Baseline\PeaksOff;
use Pebblerun\Core\Evaluation\Baseline\PointOff;
use Pebblerun\Core\Evaluation\Baseline\PullsScatter;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what is hard to believe of a car's own baseline, why that may be, and what would be right. */
final readonly class BaselineWords
{
    public function __construct(private UnitFormatter $say) {}

    public function of(BaselineDoubt $doubt): string
    {
        return match (true) {
            $doubt instanceof PeaksOff => $this->peaks($doubt),
            $doubt instanceof PullsScatter => "The pulls read {$this->say->writePower($doubt->least)} to {$this->say->sayPower($doubt->most)}, {$this->say->numerals->write(100.0 * $doubt->share, 1)} % apart: heat, fuel or slipping wheels. Pull again until they stay within 2 %.",
            $doubt instanceof EndsEarly => "The pull ends at {$this->rpm($doubt->last)}: go on to {$this->rpm($doubt->wanted)} at least, or the highest power may lie beyond it.",
            $doubt instanceof PointOff => "{$this->say->sayTorque($doubt->point->value)} at {$this->rpm($doubt->point->rpm)} stands out: the points beside it say about {$this->say->sayTorque($doubt->point->expected)}. Look for a wrong digit, or pull again.",
            default => '',
        };
    }

    private function peaks(PeaksOff $off): string
    {
        $reasons = array_map(fn (BaselineReason $reason): string => $this->reason($reason, $off), $off->reasons);

        return sprintf(
            'The baseline reads %s and %s; about %s and %s would be expected of this car as it was received (%s and %s). ',
            $this->say->sayPower($off->power), $this->say->sayTorque($off->torque),
            $this->say->sayPower($off->expected->power), $this->say->sayTorque($off->expected->torque),
            self::away($off->power / $off->expected->power), self::away($off->torque / $off->expected->torque),
        ).'Likely: '.Listing::join($reasons, 'or').($off->isImpossible() ? '. Too far off to be this car: correct it, or leave it out.' : '.');
    }

    private function reason(BaselineReason $reason, PeaksOff $off): string
    {
        return match ($reason) {
            BaselineReason::HorsepowerAsKilowatts => 'horsepower entered as kW',
            BaselineReason::KilowattsAsHorsepower => 'kW entered as horsepower',
            BaselineReason::NewtonMetresAsPoundFeet => 'N·m entered as lb-ft',
            BaselineReason::PoundFeetAsNewtonMetres => 'lb-ft entered as N·m',
            BaselineReason::Crank => 'figures at the crank and not at the wheels',
            BaselineReason::OtherDyno => "figures of another dyno ({$off->dyno})",
            BaselineReason::PartsNotTold => 'parts on the car that the brief does not know',
            BaselineReason::Health => 'an engine that is not well: repeat the health check',
        };
    }

    private static function away(float $ratio): string
    {
        return sprintf('%+.0f %%', 100.0 * ($ratio - 1.0));
    }

    private function rpm(float $rpm): string
    {
        return $this->say->numerals->write(round($rpm)).' rpm';
    }
}
