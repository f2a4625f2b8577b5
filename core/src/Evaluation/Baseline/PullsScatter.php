<?php

namespace Pebblerun\Core\Evaluation\Baseline;

/** Pulls of one session whose highest powers lie too far apart to rest a plan on. */
final readonly class PullsScatter implements BaselineDoubt
{
    /** Largest less smallest over their mean. */
    private const MOST = 0.02;

    /**
     * @param  float  $least  W
     * @param  float  $most  W
     * @param  float  $share  0.03 for 3 %
     */
    private function __construct(public float $least, public float $most, public float $share) {}

    /** @param  list<float>  $peaks  W of each pull */
    public static function of(array $peaks): ?self
    {
        if ($peaks === []) {
            return null;
        }
        $share = (max($peaks) - min($peaks)) / (array_sum($peaks) / count($peaks));

        return $share > self::MOST ? new self(min($peaks), max($peaks), $share) : null;
    }

    public function isImpossible(): bool
    {
        return false;
    }
}
