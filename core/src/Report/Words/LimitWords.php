<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Units\Dimension;
use Pebblerun\Core\Units\Numerals;

/** Says where a component stands. */
final readonly class LimitWords
{
    public function __construct(private UnitFormatter $say) {}

    /** Of safe, half and nine in ten of the cars: "94–98 %"; one figure where they are the same. Knock in RON over the fuel, for which a share says nothing. */
    public static function percents(LimitReading $reading, Numerals $numerals): string
    {
        if ($reading->used === null) {
            return 'not estimated';
        }
        if ($reading->limit->quantity->traits()->dimension === Dimension::Octane) {
            return self::over($reading->demand - $reading->octane(), $numerals).' the fuel';
        }
        $median = round(100 * (float) $reading->median);
        $used = round(100 * $reading->used);

        return $median === $used ? "{$used} %" : "{$median}–{$used} %";
    }

    /**
     * Both chances, always together: "52 % chance of reaching it, at most 48 % within the limits, 2 not judged".
     *
     * @param  int  $unjudged  limits that nobody can estimate
     */
    public static function chances(float $reach, float $within, int $unjudged): string
    {
        $say = fn (float $share): string => round(100 * $share).' %';

        return "{$say($reach)} chance of reaching it, ".($unjudged === 0 ? "{$say($within)} within the limits" : "at most {$say($within)} within the limits, {$unjudged} not judged");
    }

    /** "3.4 RON over", "1.2 RON under". */
    private static function over(float $points, Numerals $numerals): string
    {
        return $numerals->write(abs($points), 1).' RON '.($points < -0.05 ? 'under' : 'over');
    }

    private function knock(LimitReading $reading): string
    {
        $octane = $reading->octane();
        $say = fn (float $ron): string => $this->say->writeLimit($reading->limit->quantity, $ron);
        $where = $reading->hot ? ' on the hottest day' : '';

        return "{$reading->limit->name}, ".Terms::status($reading->status).": near {$this->say->sayRpm($reading->rpm)}{$where} it asks {$say($reading->typical)} RON likely, 90 % of cars less than {$say($reading->demand)}, on a fuel of {$say($octane)}: "
            .self::over($reading->demand - $octane, $this->say->numerals)."; safe to {$say($reading->safe - $octane)} over, breaks at {$say($reading->edge - $octane)} over.";
    }

    public function of(LimitReading $reading): string
    {
        $quantity = $reading->limit->quantity;
        $unit = $this->say->limitLabel($quantity);
        $figure = fn (float $value): string => $this->say->writeLimit($quantity, $value);
        if ($reading->used === null) {
            return "{$reading->limit->name}: not estimated (safe to {$figure($reading->safe)} {$unit}): ".Terms::judge($quantity).'.';
        }
        if ($quantity->traits()->dimension === Dimension::Octane) {
            return $this->knock($reading);
        }
        $room = $reading->room();
        $more = $room === null ? '' : "; room for {$figure($room)} {$unit} more";

        return "{$reading->limit->name}, ".Terms::status($reading->status).": {$this->demand($reading)}; safe to {$figure($reading->safe)}, breaks at {$figure($reading->edge)}{$more}.";
    }

    /** "316 likely, 90 % of cars stay below 332 lb-ft near 3,000 rpm". */
    private function demand(LimitReading $reading): string
    {
        $quantity = $reading->limit->quantity;
        $demand = $this->say->sayLimit($quantity, $reading->demand);
        $beyond = $quantity->isInverse() ? 'above' : 'below';
        $likely = "{$this->say->writeLimit($quantity, $reading->typical)} likely, 90 % of cars stay {$beyond} {$demand}";
        $where = match ($quantity->traits()->worst) {
            'limiter' => "the limiter is at {$demand}",
            'fifth-pull' => "{$likely} on the fifth pull",
            'sustained' => "{$likely} under load that goes on",
            'anywhere' => $likely,
            default => "{$likely} near {$this->say->sayRpm($reading->rpm)}",
        };

        return $reading->hot ? "{$where}, on the hottest day" : $where;
    }
}
