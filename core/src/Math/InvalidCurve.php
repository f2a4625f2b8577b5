<?php

namespace Pebblerun\Core\Math;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class InvalidCurve extends InvalidArgumentException implements CoreException
{
    /** @param  ?int  $row  the point at fault, counted from 0 */
    private function __construct(string $message, public readonly ?int $row = null)
    {
        parent::__construct($message);
    }

    public static function tooFew(int $count): self
    {
        return new self("{$count} points make no curve: give at least three, over at least 100 rpm.");
    }

    public static function falling(int $row, float $rpm, float $before): self
    {
        return new self("{$rpm} rpm comes after {$before} rpm: engine speed must rise from point to point.", $row);
    }

    public static function negative(int $row, float $rpm, float $torque): self
    {
        return new self("{$torque} N·m at {$rpm} rpm is out of range: engine speed must be above 0 and torque not below 0.", $row);
    }

    public static function disagree(int $row, float $rpm, float $ratio, ?string $likely): self
    {
        return new self(sprintf(
            'Power and torque at %s rpm disagree: the power is %.2f times torque × speed, and must be within 2 %%.%s',
            $rpm,
            $ratio,
            $likely === null ? ' Check both columns and their units.' : " Likely {$likely}.",
        ), $row);
    }
}
