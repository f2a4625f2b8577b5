<?php

namespace Pebblerun\Core\Evaluation\Model;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Math\LinearInterpolation;

/** How the octane that a map with a sensor counts on follows the content: as that of the fuels it was measured on does. */
final readonly class FlexOctane
{
    /** RON lost with each percent of ethanol less where its cases say nothing. */
    private const USUAL = 0.15;

    /** @param  array<int|string, float>  $octanes  RON by content, rising in content */
    private function __construct(private array $octanes) {}

    public static function of(Part $map): self
    {
        $octanes = [];
        foreach ($map->gains as $case) {
            if ($case->on->ethanol !== null && $case->on->octane !== null) {
                $octanes[(string) $case->on->ethanol] ??= $case->on->octane;
            }
        }
        ksort($octanes, SORT_NUMERIC);

        return new self($octanes);
    }

    /** RON that one content has more than another. */
    public function between(float $from, float $to): float
    {
        if (count($this->octanes) < 2) {
            return self::USUAL * min(0.0, $to - $from);
        }
        [$there, $here] = LinearInterpolation::spread(array_map(floatval(...), array_keys($this->octanes)), array_values($this->octanes), [$to, $from]);

        return $there - $here;
    }
}
