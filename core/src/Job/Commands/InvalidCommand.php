<?php

namespace Pebblerun\Core\Job\Commands;

use InvalidArgumentException;
use Pebblerun\Core\CoreException;

final class InvalidCommand extends InvalidArgumentException implements CoreException
{
    /** @param  list<string>  $known */
    public static function unknown(string $do, array $known): self
    {
        return new self("There is no command \"{$do}\": use one of ".implode(', ', $known).'.');
    }

    public static function noStage(string $key): self
    {
        return new self("The plan has no stage \"{$key}\": it may have been removed meanwhile.");
    }

    public static function notThere(string $part, string $stage): self
    {
        return new self("\"{$part}\" is not fitted in \"{$stage}\": it may have been moved meanwhile.");
    }

    public static function nothingBefore(string $stage): self
    {
        return new self("\"{$stage}\" is the first stage: there is none before it to merge into.");
    }

    public static function turnedRound(float $from, float $to): self
    {
        return new self("{$from} rpm is not below {$to} rpm: give the lower one first.");
    }

    public static function stageThere(string $key): self
    {
        return new self("The plan has a stage \"{$key}\" already: give the new one a name of its own.");
    }

    public static function tooManyStages(int $most): self
    {
        return new self("A plan has {$most} stages at most: put parts together, or make a second plan.");
    }
}
