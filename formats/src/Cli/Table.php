<?php

namespace Pebblerun\Formats\Cli;

use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Report\UnitFormatter;

/** An estimate as text for people. */
final class Table
{
    public static function of(Estimate $estimate, UnitFormatter $say): string
    {
        $rows = [['stage', 'power', 'P10–P90', 'torque', 'spend', 'in all', 'weakest link']];
        foreach ($estimate->results as $i => $result) {
            $weakest = $result->weakest();
            $rows[] = [
                $i === 0 ? 'as it came' : "{$i} {$result->model->state->stage?->name}",
                $say->sayPower($result->power->p50),
                round($say->power($result->power->p10)).'–'.round($say->power($result->power->p90)),
                $say->sayTorque($result->torque->p50),
                $say->sayMoney($estimate->costs[$i]->spend->likely),
                $say->sayMoney($estimate->costs[$i]->cumulative->likely),
                $weakest === null ? '–' : sprintf('%s %d %%, %s', $weakest->limit->name, round(100 * (float) $weakest->used), $weakest->status->words()),
            ];
        }
        $text = self::columns($rows)."\n";
        foreach ((new Verdict($estimate, $say))->sentences() as $sentence) {
            $text .= "[{$sentence->status->words()}] {$sentence->headline}: {$sentence->detail}\n";
        }

        return $text."\n".Caution::promise()."\n";
    }

    /** @param  non-empty-list<list<string>>  $rows */
    private static function columns(array $rows): string
    {
        $widths = array_map(fn (int $column): int => max(array_map(fn (array $row): int => mb_strlen($row[$column]), $rows)), array_keys($rows[0]));
        $lines = '';
        foreach ($rows as $row) {
            $cells = array_map(fn (string $cell, int $width): string => $cell.str_repeat(' ', $width - mb_strlen($cell)), $row, $widths);
            $lines .= rtrim(implode('  ', $cells))."\n";
        }

        return $lines;
    }
}
