<?php

namespace Pebblerun\Core\Units;

/** A figure with its doubt: low ≤ likely ≤ high, in one SI unit. */
final readonly class Range
{
    private function __construct(public float $low, public float $likely, public float $high) {}

    /** @throws InvalidRange when the three are out of order. */
    public static function of(float $low, float $likely, float $high): self
    {
        foreach (['low' => $low, 'likely' => $likely, 'high' => $high] as $name => $value) {
            Finite::check("{$name} value", $value);
        }
        if ($low > $likely) {
            throw InvalidRange::lowAboveLikely($low, $likely);
        }
        if ($likely > $high) {
            throw InvalidRange::likelyAboveHigh($likely, $high);
        }

        return new self($low, $likely, $high);
    }

    public static function exact(float $value): self
    {
        return self::of($value, $value, $value);
    }

    /** Equal ranges have equal names. */
    public function name(): string
    {
        return "{$this->low}:{$this->likely}:{$this->high}";
    }

    public function scaled(float $factor): self
    {
        return $factor >= 0.0
            ? new self($this->low * $factor, $this->likely * $factor, $this->high * $factor)
            : new self($this->high * $factor, $this->likely * $factor, $this->low * $factor);
    }

    /**
     * The same in another unit.
     *
     * @param  callable(float): float  $convert  rising
     */
    public function in(callable $convert): self
    {
        return new self($convert($this->low), $convert($this->likely), $convert($this->high));
    }

    /** The same about its likely value, so many times as wide. */
    public function widened(float $factor): self
    {
        return new self($this->likely - $factor * ($this->likely - $this->low), $this->likely, $this->likely + $factor * ($this->high - $this->likely));
    }

    /** @param  float  $along  0 here, 1 there */
    public function towards(self $other, float $along): self
    {
        $between = fn (float $here, float $there): float => $here + ($there - $here) * $along;

        return new self($between($this->low, $other->low), $between($this->likely, $other->likely), $between($this->high, $other->high));
    }

    /** Both together, low to low and high to high. */
    public function plus(self $other): self
    {
        return new self($this->low + $other->low, $this->likely + $other->likely, $this->high + $other->high);
    }

    /**
     * Quantile of the triangular distribution with mode at likely.
     *
     * @param  float  $u  0–1
     */
    public function quantile(float $u): float
    {
        $width = $this->high - $this->low;
        if ($width <= 0.0) {
            return $this->likely;
        }
        $rise = $this->likely - $this->low;

        return $u * $width <= $rise
            ? $this->low + sqrt($u * $width * $rise)
            : $this->high - sqrt((1.0 - $u) * $width * ($this->high - $this->likely));
    }

    /**
     * Quantiles for many draws at once; the loop of quantile() without its calls.
     *
     * @param  list<float>  $u  0–1
     * @return list<float>
     */
    public function quantiles(array $u): array
    {
        $width = $this->high - $this->low;
        if ($width <= 0.0) {
            return array_fill(0, count($u), $this->likely);
        }
        $low = $this->low;
        $high = $this->high;
        $rise = $width * ($this->likely - $low);
        $fall = $width * ($high - $this->likely);
        $turn = ($this->likely - $low) / $width;
        $values = [];
        foreach ($u as $share) {
            $values[] = $share <= $turn ? $low + sqrt($share * $rise) : $high - sqrt((1.0 - $share) * $fall);
        }

        return $values;
    }
}
