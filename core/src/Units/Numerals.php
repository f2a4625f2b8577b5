<?php

namespace Pebblerun\Core\Units;

/** How a reader's country writes numbers. */
enum Numerals: string
{
    /** 1,234.5 */
    case Comma = 'comma';
    /** 1.234,5 */
    case Point = 'point';
    /** 1 234,5 with a narrow space that does not break. */
    case Space = 'space';

    public function write(float $value, int $decimals = 0): string
    {
        return match ($this) {
            self::Comma => number_format($value, $decimals),
            self::Point => number_format($value, $decimals, ',', '.'),
            self::Space => number_format($value, $decimals, ',', "\u{202f}"),
        };
    }

    /** The same with a plus before what is not negative. */
    public function signed(float $value, int $decimals = 0): string
    {
        return ($value >= 0.0 ? '+' : '').$this->write($value, $decimals);
    }
}
