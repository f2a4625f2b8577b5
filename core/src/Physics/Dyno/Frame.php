<?php

namespace Pebblerun\Core\Physics\Dyno;

use Pebblerun\Core\Units\Range;

/** Where a published gain was read, and what brings it to the shop's own frame: wheels, on the shop's own dyno. */
final readonly class Frame
{
    /** From the middle of a range to its P90, in standard deviations: a range reaches from P10 to P90. */
    private const P90 = 1.2815515655;

    /**
     * @param  ?string  $dyno  kind of dyno, when it is not the shop's own
     * @param  ?Range  $factor  what its figures are multiplied by, with its doubt
     * @param  ?float  $loss  driveline share taken off a figure from the crank
     * @param  float  $correction  what brings its correction for weather to the shop's, J1349
     */
    public function __construct(public ?string $dyno = null, public ?Range $factor = null, public ?float $loss = null, public float $correction = 1.0) {}

    /** The same, corrected by another standard in the weather of that day. */
    public function corrected(Correction $by, Weather $weather): self
    {
        return new self($this->dyno, $this->factor, $this->loss, Correction::J1349->factor($weather) / $by->factor($weather));
    }

    public static function own(): self
    {
        return new self;
    }

    /**
     * @param  array<string, Range>  $factors  house factors by kind of dyno
     * @param  float  $share  of the driveline
     *
     * @throws UnknownDyno for a kind without a house factor.
     */
    public static function of(bool $crank, ?string $dyno, array $factors, float $share): self
    {
        $factor = $dyno === null ? null : ($factors[$dyno] ?? throw UnknownDyno::noFactor($dyno, array_keys($factors)));

        return new self($dyno, $factor, $crank ? $share : null);
    }

    /** Whether it is the shop's own: nothing to convert. */
    public function isOwn(): bool
    {
        return $this->factor === null && $this->loss === null && $this->correction === 1.0;
    }

    /** Of a whole curve, as a share, one standard deviation: what the factor between two dynos leaves open. */
    public function doubt(): float
    {
        return $this->factor === null ? 0.0 : ($this->factor->high - $this->factor->low) / (2.0 * self::P90 * $this->factor->likely);
    }

    /** A gain in the shop's frame: wider by the factor's own range. */
    public function convert(Range $gain): Range
    {
        $kept = (1.0 - ($this->loss ?? 0.0)) * $this->correction;
        $factor = $this->factor ?? Range::exact(1.0);

        return Range::of(
            $gain->low * $kept * ($gain->low < 0.0 ? $factor->high : $factor->low),
            $gain->likely * $kept * $factor->likely,
            $gain->high * $kept * ($gain->high < 0.0 ? $factor->low : $factor->high),
        );
    }

    /** A single figure, such as a reference, in the shop's frame. */
    public function likely(float $figure): float
    {
        return $figure * (1.0 - ($this->loss ?? 0.0)) * ($this->factor->likely ?? 1.0) * $this->correction;
    }
}
