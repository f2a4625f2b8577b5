<?php

namespace Pebblerun\Core\Math;

/**
 * Piecewise cubic Hermite through points, without overshoot.
 *
 * Interior slopes are the weighted harmonic mean of the secants (Fritsch & Butland 1984), zero where the secants
 * change sign; the ends use the three-point shape-preserving formula of the same family.
 */
final readonly class MonotoneCubic
{
    /** @var list<float> */
    private array $slopes;

    /**
     * @param  non-empty-list<float>  $x  strictly rising, at least two
     * @param  non-empty-list<float>  $y  as many
     */
    public function __construct(private array $x, private array $y)
    {
        $this->slopes = $this->slopes();
    }

    /** Value at $at; outside the points the nearest point's value. */
    public function at(float $at): float
    {
        $last = count($this->x) - 1;
        if ($at <= $this->x[0]) {
            return $this->y[0];
        }
        if ($at >= $this->x[$last]) {
            return $this->y[$last];
        }
        $i = 0;
        while ($this->x[$i + 1] < $at) {
            $i++;
        }
        $h = $this->x[$i + 1] - $this->x[$i];
        $t = ($at - $this->x[$i]) / $h;
        $u = 1.0 - $t;

        return $this->y[$i] * $u * $u * (1.0 + 2.0 * $t)
            + $this->slopes[$i] * $h * $t * $u * $u
            + $this->y[$i + 1] * $t * $t * (3.0 - 2.0 * $t)
            - $this->slopes[$i + 1] * $h * $t * $t * $u;
    }

    /** @return list<float> */
    private function slopes(): array
    {
        $last = count($this->x) - 1;
        $h = $d = [];
        for ($i = 0; $i < $last; $i++) {
            $h[] = $this->x[$i + 1] - $this->x[$i];
            $d[] = ($this->y[$i + 1] - $this->y[$i]) / $h[$i];
        }
        if ($last === 1) {
            return [$d[0], $d[0]];
        }
        $slopes = [self::end($h[0], $h[1], $d[0], $d[1])];
        for ($i = 1; $i < $last; $i++) {
            if ($d[$i - 1] * $d[$i] <= 0.0) {
                $slopes[] = 0.0;

                continue;
            }
            $w1 = 2.0 * $h[$i] + $h[$i - 1];
            $w2 = $h[$i] + 2.0 * $h[$i - 1];
            $slopes[] = ($w1 + $w2) / ($w1 / $d[$i - 1] + $w2 / $d[$i]);
        }
        [$before, $end] = [count($h) - 2, count($h) - 1];
        $slopes[] = self::end($h[$end], $h[$before], $d[$end], $d[$before]);

        return $slopes;
    }

    private static function end(float $h0, float $h1, float $d0, float $d1): float
    {
        $slope = ((2.0 * $h0 + $h1) * $d0 - $h0 * $d1) / ($h0 + $h1);
        if ($slope * $d0 <= 0.0) {
            return 0.0;
        }

        return $d0 * $d1 <= 0.0 && abs($slope) > 3.0 * abs($d0) ? 3.0 * $d0 : $slope;
    }
}
