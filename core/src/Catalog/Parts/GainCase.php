<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\MapIs;
use Pebblerun\Core\Catalog\Conditions\Term;
use Pebblerun\Core\Units\Range;

/** What a part gives under one condition. */
final readonly class GainCase
{
    /** How specific it is: the number of plain terms in its condition, and one more for an ethanol content. */
    public int $terms;

    /**
     * @param  Range  $power  W at peak power
     * @param  Range  $torque  N·m at peak torque
     * @param  list<GainAnchor>  $anchors  instead of the two, when given
     * @param  ?ReferenceBuild  $reference  null: the baseline, with the likely gain of the map the case wants
     * @param  float  $unmapped  share of a gain that comes without a map that covers the part
     * @param  FuelPoint  $on  the fuel it was measured on; nothing of it where it does not matter
     * @param  ?LadderReading  $ladder  what it was read from, when it stands between measured ones
     * @param  ?MovedPeaks  $peaks  where the peaks move to
     * @param  bool  $torqueFollows  no torque was stated: its share follows the power's
     */
    public function __construct(
        public ?Condition $when,
        public Range $power,
        public Range $torque,
        public array $anchors,
        public ?ReferenceBuild $reference,
        public float $unmapped,
        public GainSource $source,
        public GainAir $air = new GainAir,
        public FuelPoint $on = new FuelPoint,
        public ?LadderReading $ladder = null,
        public ?MovedPeaks $peaks = null,
        public bool $torqueFollows = false,
    ) {
        $this->terms = ($when?->terms() ?? 0) + ($on->ethanol === null ? 0 : 1);
    }

    /**
     * The straight way to a case on another fuel; both state their figures at the two peaks.
     *
     * @param  float  $along  0 here, 1 there
     */
    public function towards(self $other, float $along): self
    {
        $nearer = $along < 0.5 ? $this->source : $other->source;

        return new self(
            $this->when,
            $this->power->towards($other->power, $along),
            $this->torque->towards($other->torque, $along),
            [],
            $this->reference === null || $other->reference === null ? null : $this->reference->towards($other->reference, $along),
            $this->unmapped,
            new GainSource($nearer->evidence, $nearer->note, $this->source->frame),
            $this->air->towards($other->air, $along),
            $this->on->towards($other->on, $along),
            peaks: $this->peaks,
            torqueFollows: $this->torqueFollows,
        );
    }

    /** The same with its ranges so much wider. */
    public function doubtedBy(float $factor): self
    {
        return new self(
            $this->when, $this->power->widened($factor), $this->torque->widened($factor), $this->anchors, $this->reference, $this->unmapped,
            $this->source, $this->air, $this->on, $this->ladder, $this->peaks, $this->torqueFollows,
        );
    }

    /** A pressure ratio that rises over the speeds: a centrifugal blower, whose boost grows with the square of its speed. */
    public function growsWithSpeed(): bool
    {
        $points = $this->air->pressure->points ?? [];

        return count($points) > 1 && $points[count($points) - 1][1] - 1.0 > 1.5 * ($points[0][1] - 1.0);
    }

    /** Whether its condition speaks of a map: then it was measured with one. */
    public function wantsMap(): bool
    {
        return array_filter($this->when?->leaves() ?? [], fn (Term $term): bool => $term instanceof MapIs) !== [];
    }
}
