<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Money\Line;
use Pebblerun\Core\Units\MoneyRange;

/** Writes the money of a stage. */
final readonly class MoneyDocument
{
    public function __construct(private Estimate $estimate, private UnitFormatter $say) {}

    /** @return array<string, mixed> */
    public function stage(int $stage): array
    {
        $cost = $this->estimate->costs[$stage];
        $perWatt = $this->estimate->costPerWatt($stage);
        $resale = array_sum(array_map(fn (Part $part): int => $part->price->resale, $this->estimate->results[$stage]->state->replaced));

        return [
            'spend' => $this->range($cost->spend),
            'cumulative' => $this->range($this->estimate->cumulative($stage)),
            'net' => $this->range($cost->net),
            'tax' => $this->range($cost->tax),
            'reserve' => $this->range($cost->reserve),
            'hours' => $cost->hours / 100,
            'resale' => $this->say->money($resale),
            'per_power' => $perWatt === null ? null : round($this->say->perPower($perWatt), UnitFormatter::PRECISION),
            'lines' => array_map($this->line(...), $cost->lines),
        ];
    }

    /** @return array<string, mixed> */
    private function line(Line $line): array
    {
        return [
            'part' => $line->part->key,
            'name' => $line->part->name,
            'basis' => $line->agreed ? 'agreed' : $line->basis->value,
            'quantity' => $line->quantity,
            'bought' => $line->bought,
            'goods' => $this->range($line->goods),
            'hours' => $line->hours / 100,
            'labour' => $this->say->money($line->labour),
            'dyno' => $this->say->money($line->dyno),
            'gross' => $this->range($line->gross),
        ];
    }

    /** @return array{low: float, likely: float, high: float} */
    private function range(MoneyRange $range): array
    {
        return ['low' => $this->say->money($range->low), 'likely' => $this->say->money($range->likely), 'high' => $this->say->money($range->high)];
    }
}
