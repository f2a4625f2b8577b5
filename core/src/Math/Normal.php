<?php

namespace Pebblerun\Core\Math;

/** The standard normal distribution; PHP has no erf of its own. */
final class Normal
{
    /**
     * Φ(z) after West, "Better approximations to cumulative normal functions" (2005), Hart's algorithm 5666:
     * double precision, error below 1e-14.
     */
    public static function cumulative(float $z): float
    {
        return self::cumulatives([$z])[0];
    }

    /**
     * Φ of many values at once: a call for each would cost more than the figure.
     *
     * @param  list<float>  $z
     * @return list<float>
     */
    public static function cumulatives(array $z): array
    {
        $phi = [];
        foreach ($z as $value) {
            $x = abs($value);
            if ($x < 7.07106781186547) {
                $tail = exp(-$x * $x / 2.0)
                    * ((((((3.52624965998911e-02 * $x + 0.700383064443688) * $x + 6.37396220353165) * $x + 33.912866078383) * $x
                    + 112.079291497871) * $x + 221.213596169931) * $x + 220.206867912376)
                    / (((((((8.83883476483184e-02 * $x + 1.75566716318264) * $x + 16.064177579207) * $x + 86.7807322029461) * $x
                    + 296.564248779674) * $x + 637.333633378831) * $x + 793.826512519948) * $x + 440.413735824752);
            } elseif ($x <= 37.0) {
                $tail = exp(-$x * $x / 2.0) / ($x + 1.0 / ($x + 2.0 / ($x + 3.0 / ($x + 4.0 / ($x + 0.65))))) / 2.506628274631;
            } else {
                $tail = 0.0;
            }
            $phi[] = $value > 0.0 ? 1.0 - $tail : $tail;
        }

        return $phi;
    }

    /**
     * Φ⁻¹(p) by Acklam's rational approximation, relative error below 1.2e-9.
     *
     * @param  float  $p  strictly between 0 and 1
     */
    public static function quantile(float $p): float
    {
        if ($p > 0.5) {
            return -self::quantile(1.0 - $p);
        }
        if ($p < 0.02425) {
            $q = sqrt(-2.0 * log($p));

            return (((((-7.784894002430293e-03 * $q - 3.223964580411365e-01) * $q - 2.400758277161838) * $q - 2.549732539343734) * $q
                + 4.374664141464968) * $q + 2.938163982698783)
                / ((((7.784695709041462e-03 * $q + 3.224671290700398e-01) * $q + 2.445134137142996) * $q + 3.754408661907416) * $q + 1.0);
        }
        $q = $p - 0.5;
        $r = $q * $q;

        return (((((-3.969683028665376e+01 * $r + 2.209460984245205e+02) * $r - 2.759285104469687e+02) * $r + 1.383577518672690e+02) * $r
            - 3.066479806614716e+01) * $r + 2.506628277459239) * $q
            / (((((-5.447609879822406e+01 * $r + 1.615858368580409e+02) * $r - 1.556989798598866e+02) * $r + 6.680131188771972e+01) * $r
            - 1.328068155288572e+01) * $r + 1.0);
    }
}
