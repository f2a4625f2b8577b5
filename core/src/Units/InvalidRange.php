<?php

namespace Pebblerun\Core\Units;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class InvalidRange extends InvalidArgumentException implements CoreException
{
    public static function lowAboveLikely(float $low, float $likely): self
    {
        return new self(sprintf('low %s is above likely %s: low must not exceed likely.', self::say($low), self::say($likely)));
    }

    public static function likelyAboveHigh(float $likely, float $high): self
    {
        return new self(sprintf('likely %s is above high %s: likely must not exceed high.', self::say($likely), self::say($high)));
    }

    private static function say(float $value): string
    {
        return rtrim(rtrim(number_format($value, 3, '.', ''), '0'), '.');
    }
}
