<?php

namespace Pebblerun\Core\Physics\Air;

/** What compressing does to the air's temperature: a turbo's compressor, or a belt-driven blower. */
final readonly class Compressor
{
    /** Above this share of the rated flow it loses efficiency, so much for each unit of that share, and never below the least. */
    private const GOOD_TO = 0.9;

    private const FALL = 0.5;

    private const LEAST = 0.50;

    private const CP = 1005.0;

    /** Pa over ambient, of a wastegate that states none. */
    public const SPRING = 0.4e5;

    /** Of a belt drive. */
    private const BELT = 0.92;

    /**
     * @param  float  $efficiency  η, isentropic, 0–1
     * @param  ?float  $ratedFlow  kg/s of corrected air; null where it is not stated
     * @param  float  $spring  Pa over ambient that a turbo's gate holds by its spring alone: less it cannot give
     */
    public function __construct(public float $efficiency, public ?float $ratedFlow = null, public float $spring = self::SPRING) {}

    /**
     * T2 = T1·(1 + (PR^0.2857 − 1)/η).
     *
     * @param  float  $inlet  K
     * @param  float  $ratio  PR, absolute over absolute, at least 1
     * @param  float  $share  of the rated flow, corrected
     * @return float K
     */
    public function outlet(float $inlet, float $ratio, float $share = 0.0): float
    {
        return $inlet * (1.0 + ($ratio ** 0.2857 - 1.0) / $this->efficiencyAt($share));
    }

    /** η at a share of the rated flow: 0.5 lower for each unit above 0.9. */
    public function efficiencyAt(float $share): float
    {
        return max(min(self::LEAST, $this->efficiency), $this->efficiency - self::FALL * max(0.0, $share - self::GOOD_TO));
    }

    /** Corrected flow, ṁ·√(T1/298.15)·(99 kPa/pa), over the rated one; 0 where no flow is rated. */
    public function shareOf(float $flow, Ambient $ambient): float
    {
        return $this->ratedFlow === null ? 0.0 : $flow * sqrt($ambient->kelvin / Ambient::STANDARD_KELVIN) * Ambient::STANDARD / $ambient->pressure / $this->ratedFlow;
    }

    /**
     * What turning it by a belt takes: ṁ·cp·(T2 − T1)/0.92.
     *
     * @return float W
     */
    public static function drive(float $flow, float $inlet, float $outlet): float
    {
        return $flow * self::CP * ($outlet - $inlet) / self::BELT;
    }
}
