<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\StageResult;

/** Two plans for one car beside each other, part by part and figure by figure, as they end. */
final readonly class ComparisonDocument
{
    public function __construct(private Estimate $here, private Estimate $there, private UnitFormatter $say) {}

    /** @return array{figures: list<array{name: string, here: string, there: string, better: string}>, parts: list<array{slot: string, here: string, there: string}>} */
    public function toArray(): array
    {
        return ['figures' => $this->figures(), 'parts' => $this->parts()];
    }

    /** @return list<array{name: string, here: string, there: string, better: string}> better: here, there, or neither when it cannot be said */
    private function figures(): array
    {
        $here = $this->here->last();
        $there = $this->there->last();
        $both = fn (callable $of): array => [$of($this->here), $of($this->there)];
        $hours = fn (Estimate $one): int => array_sum(array_map(fn ($cost): int => $cost->hours, $one->costs));

        return [
            $this->line('Median wheel power', [$here->power->p50, $there->power->p50], $this->say->sayPower(...), 1),
            $this->line('One car in ten has less than', [$here->power->p10, $there->power->p10], $this->say->sayPower(...), 1),
            $this->line('Median wheel torque', [$here->torque->p50, $there->torque->p50], $this->say->sayTorque(...), 1),
            $this->line('Torque over the speeds used', [$here->usedGain, $there->usedGain], fn (float $gain): string => $this->say->numerals->signed(100 * $gain, 1).' %', 1),
            $this->line('In all', $both(fn (Estimate $one): int => $one->total()->likely), $this->say->sayMoney(...), -1),
            $this->line('Hours', $both($hours), fn (int $hundredths): string => $this->say->numerals->write($hundredths / 100, 1).' h', -1),
            $this->line('Stages', $both(fn (Estimate $one): int => count($one->results) - 1), strval(...), 0),
            $this->weakest($here, $there),
        ];
    }

    /**
     * @template T of int|float
     *
     * @param  array{T, T}  $values  here and there
     * @param  callable(T): string  $words
     * @param  -1|0|1  $more  whether more is better, worse, or neither
     * @return array{name: string, here: string, there: string, better: string}
     */
    private function line(string $name, array $values, callable $words, int $more): array
    {
        [$here, $there] = [$words($values[0]), $words($values[1])];
        $lead = $here === $there ? 0 : ($values[0] <=> $values[1]) * $more;

        return ['name' => $name, 'here' => $here, 'there' => $there, 'better' => ['there', 'neither', 'here'][$lead + 1]];
    }

    /** @return array{name: string, here: string, there: string, better: string} */
    private function weakest(StageResult $here, StageResult $there): array
    {
        $words = function (StageResult $result): string {
            $weakest = $result->weakest();

            return $weakest === null ? 'none' : "{$weakest->limit->name} ".round(100 * (float) $weakest->used)." %, {$weakest->status->words()}";
        };
        $of = fn (StageResult $result): array => [$result->weakest()?->status->severity() ?? 0, $result->weakest()->used ?? 0.0];

        $lead = $words($here) === $words($there) ? 0 : $of($here) <=> $of($there);

        return ['name' => 'Weakest link', 'here' => $words($here), 'there' => $words($there), 'better' => ['here', 'neither', 'there'][$lead + 1]];
    }

    /** @return list<array{slot: string, here: string, there: string}> places that end with another part, or get it in another stage */
    private function parts(): array
    {
        $rows = array_map(fn (Slot $slot): array => [
            'slot' => $slot->name, 'here' => $this->ends($this->here, $slot), 'there' => $this->ends($this->there, $slot),
        ], array_values($this->here->bundle->catalog->platform->slots));
        $fuel = fn (Estimate $one): string => $one->last()->model->state->fuel->name;
        $rows[] = ['slot' => 'Fuel', 'here' => $fuel($this->here), 'there' => $fuel($this->there)];

        return array_values(array_filter($rows, fn (array $row): bool => $row['here'] !== $row['there']));
    }

    private function ends(Estimate $estimate, Slot $slot): string
    {
        $mounted = $estimate->last()->model->state->mounted[$slot->key] ?? null;

        return match (true) {
            $mounted === null => 'stock',
            $mounted->since === 0 => "{$mounted->part->name}, as it came",
            default => "{$mounted->part->name}, stage {$mounted->since}",
        };
    }
}
