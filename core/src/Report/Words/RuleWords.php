<?php

namespace Pebblerun\Core\Report\Words;

/** What is noted of a figure that came by a rule: from what. */
final class RuleWords
{
    public static function records(int $count): string
    {
        return 'by the rule, from '.($count === 1 ? 'one record' : "{$count} records");
    }

    public static function outcomes(int $count): string
    {
        return "proposed by {$count} outcomes";
    }
}
