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

    /** @return array{cumulative: array<string, float>, hours: float, own_hours: float, per_power: ?float} what shows at once */
    public function glance(int $stage): array
    {
        return [
            'cumulative' => $this->range($this->estimate->cumulative($stage)),
            'hours' => $this->estimate->costs[$stage]->hours / 100,
            'own_hours' => $this->estimate->costs[$stage]->ownHours / 100,
            'per_power' => $this->perPower($stage),
        ];
    }

    private function perPower(int $stage): ?float
    {
        $perWatt = $this->estimate->costPerWatt($stage);

        return $perWatt === null ? null : round($this->say->perPower($perWatt), UnitFormatter::PRECISION);
    }

    /** @return array<string, mixed> */
    public function stage(int $stage): array
    {
        $cost = $this->estimate->costs[$stage];
        $resale = array_sum(array_map(fn (Part $part): int => $part->price->resale, $this->estimate->results[$stage]->state->replaced));

        return [
            'spend' => $this->range($cost->spend),
            'cumulative' => $this->range($this->estimate->cumulative($stage)),
            'net' => $this->range($cost->net),
            'goods' => $this->say->money(array_sum(array_map(fn (Line $line): int => $line->goods->likely, $cost->lines))),
            'labour' => $this->say->money(array_sum(array_map(fn (Line $line): int => $line->labour, $cost->lines))),
            'dyno' => $this->say->money(array_sum(array_map(fn (Line $line): int => $line->dyno, $cost->lines))),
            'tax' => $this->range($cost->tax),
            'reserve' => $this->range($cost->reserve),
            'hours' => $cost->hours / 100,
            'own_hours' => $cost->ownHours / 100,
            'resale' => $this->say->money($resale),
            'per_power' => $this->perPower($stage),
            'lines' => array_map($this->line(...), $cost->lines),
        ];
    }

    /** @return ?array<string, mixed> what a part that the stage buys costs; null where it does not */
    public function lineOf(string $part, int $stage): ?array
    {
        foreach ($this->estimate->costs[$stage]->lines as $line) {
            if ($line->part->key === $part) {
                return $this->line($line);
            }
        }

        return null;
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
            'own_work' => $line->ownWork,
            'revision' => $line->revision,
            'goods' => $this->range($line->goods),
            'hours' => $line->hours / 100,
            'labour' => $this->say->money($line->labour),
            'dyno' => $this->say->money($line->dyno),
            'dyno_hours' => $line->dynoHours / 100,
            'tax' => $this->range($line->tax),
            'gross' => $this->range($line->gross),
            'reserve' => $this->range($line->reserve),
            'spend' => $this->range($line->gross->plus($line->reserve)),
        ];
    }

    /** @return array{low: float, likely: float, high: float} */
    private function range(MoneyRange $range): array
    {
        return ['low' => $this->say->money($range->low), 'likely' => $this->say->money($range->likely), 'high' => $this->say->money($range->high)];
    }
}
