<?php

namespace Pebblerun\Core\Units;

/** Low ≤ likely ≤ high, in integer minor units. */
final readonly class MoneyRange
{
    private function __construct(public int $low, public int $likely, public int $high) {}

    /** @throws InvalidMoney when negative or out of order. */
    public static function of(int $low, int $likely, int $high): self
    {
        return match (true) {
            $low < 0 => throw InvalidMoney::negative($low),
            $low > $likely || $likely > $high => throw InvalidMoney::outOfOrder($low, $likely, $high),
            default => new self($low, $likely, $high),
        };
    }

    public static function exact(int $amount): self
    {
        return self::of($amount, $amount, $amount);
    }

    public function plus(self $other): self
    {
        return new self($this->low + $other->low, $this->likely + $other->likely, $this->high + $other->high);
    }

    public function times(int $quantity): self
    {
        return new self($this->low * $quantity, $this->likely * $quantity, $this->high * $quantity);
    }

    /** A share of it, each figure rounded half up. */
    public function share(int $numerator, int $denominator): self
    {
        return new self(
            self::round($this->low, $numerator, $denominator),
            self::round($this->likely, $numerator, $denominator),
            self::round($this->high, $numerator, $denominator),
        );
    }

    /**
     * amount × numerator / denominator, half up, in integers throughout.
     *
     * @param  int  $amount  not negative
     */
    public static function round(int $amount, int $numerator, int $denominator): int
    {
        return intdiv(2 * $amount * $numerator + $denominator, 2 * $denominator);
    }
}
