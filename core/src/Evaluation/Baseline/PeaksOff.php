<?php

namespace Pebblerun\Core\Evaluation\Baseline;

use Pebblerun\Core\Evaluation\Engine\ExpectedPeaks;
use Pebblerun\Core\Units\PowerUnit;
use Pebblerun\Core\Units\TorqueUnit;

/** Peaks that are far from what the platform gives as the car was received, in the shop's frame. */
final readonly class PeaksOff implements BaselineDoubt
{
    /** Further off than this, as a share, and somebody has to stand by it. */
    private const DOUBTED = 0.12;

    private const IMPOSSIBLE = 0.35;

    /** A car is that far from its platform's figures anyway, so a ratio that near to a slip's is likely the slip. */
    private const NEAR = 0.04;

    /**
     * @param  float  $power  W measured
     * @param  float  $torque  N·m measured
     * @param  non-empty-list<BaselineReason>  $reasons  the likeliest first
     * @param  ?string  $dyno  the kind of dyno it may have been read on
     */
    private function __construct(
        public float $power,
        public float $torque,
        public ExpectedPeaks $expected,
        public array $reasons,
        public ?string $dyno,
    ) {}

    /**
     * @param  float  $power  W
     * @param  float  $torque  N·m
     * @param  float  $lost  share between crank and wheels
     * @param  array<string, float>  $dynoFactors  what figures of each other kind of dyno are multiplied by
     */
    public static function of(float $power, float $torque, ExpectedPeaks $expected, float $lost, array $dynoFactors): ?self
    {
        $off = self::furthest($power / $expected->power, $torque / $expected->torque);
        if (abs($off - 1.0) <= self::DOUBTED) {
            return null;
        }
        $dyno = self::dyno($off, $dynoFactors);
        $reasons = [
            ...self::slips($power / $expected->power, $torque / $expected->torque),
            ...(self::isNear($power / $expected->power, 1.0 / (1.0 - $lost)) ? [BaselineReason::Crank] : []),
            ...($dyno === null ? [] : [BaselineReason::OtherDyno]),
            $off > 1.0 ? BaselineReason::PartsNotTold : BaselineReason::Health,
        ];

        return new self($power, $torque, $expected, $reasons, $dyno);
    }

    public function isImpossible(): bool
    {
        return abs(self::furthest($this->power / $this->expected->power, $this->torque / $this->expected->torque) - 1.0) > self::IMPOSSIBLE;
    }

    private static function furthest(float $power, float $torque): float
    {
        return abs($power - 1.0) >= abs($torque - 1.0) ? $power : $torque;
    }

    /** @return list<BaselineReason> */
    private static function slips(float $power, float $torque): array
    {
        $kilowatt = 1000.0 / PowerUnit::HP;

        $near = array_filter([
            BaselineReason::HorsepowerAsKilowatts->value => self::isNear($power, $kilowatt),
            BaselineReason::KilowattsAsHorsepower->value => self::isNear($power, 1.0 / $kilowatt),
            BaselineReason::NewtonMetresAsPoundFeet->value => self::isNear($torque, TorqueUnit::LB_FT),
            BaselineReason::PoundFeetAsNewtonMetres->value => self::isNear($torque, 1.0 / TorqueUnit::LB_FT),
        ]);

        return array_map(BaselineReason::from(...), array_keys($near));
    }

    /** @param  array<string, float>  $factors */
    private static function dyno(float $ratio, array $factors): ?string
    {
        foreach ($factors as $dyno => $factor) {
            if (self::isNear($ratio, 1.0 / $factor)) {
                return $dyno;
            }
        }

        return null;
    }

    private static function isNear(float $ratio, float $of): bool
    {
        return abs($ratio / $of - 1.0) <= self::NEAR;
    }
}
