<?php

namespace Pebblerun\Core\Evaluation\Engine;

use Pebblerun\Core\Math\Percentiles;

/** Drawn curves of a stage, and their peaks. */
final readonly class DrawnPeaks
{
    /** A draw's peak stands where the likely curve has at least this share of its own. */
    private const NEAR = 0.9;

    /**
     * @param  list<float>  $powers  W, each curve's highest
     * @param  list<float>  $torques  N·m, likewise
     * @param  Percentiles  $power  of those
     * @param  Percentiles  $torque  likewise
     * @param  ?list<float>  $likely  W at the same speeds, where it is known
     */
    private function __construct(public DrawnCurves $curves, public array $powers, public array $torques, public Percentiles $power, public Percentiles $torque, private ?array $likely) {}

    /**
     * @param  list<float>  $power  flat, W: rpm × rows + row
     * @param  non-empty-list<float>  $rpms
     * @param  ?float  $target  W
     * @param  ?list<float>  $likely  W at the rpms
     */
    public static function of(array $power, array $rpms, ?float $target = null, ?array $likely = null): self
    {
        $curves = new DrawnCurves($power, count($rpms));

        $powers = self::peaksAbout(CurveQuantity::power($rpms), $curves, $likely);
        $torques = self::peaksAbout(CurveQuantity::torque($rpms), $curves, $likely);

        return new self($curves, $powers, $torques, Percentiles::of($powers, $target), Percentiles::of($torques), $likely);
    }

    /**
     * The highest value of a track along each draw. It peaks about where it does along the likely curve, so places far below that
     * one are not looked at.
     *
     * @return list<float> one a draw
     */
    public function peaksOf(CurveQuantity $track): array
    {
        return self::peaksAbout($track, $this->curves, $this->likely);
    }

    /**
     * @param  ?list<float>  $likely
     * @return list<float>
     */
    private static function peaksAbout(CurveQuantity $track, DrawnCurves $curves, ?array $likely): array
    {
        if ($likely === null || $likely === []) {
            return $curves->peaks($track);
        }
        $along = $track->along($likely);
        $enough = self::NEAR * max($along);

        return $curves->peaks($track, array_keys(array_filter($along, fn (float $value): bool => $value >= $enough)));
    }
}
