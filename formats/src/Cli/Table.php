<?php

namespace Pebblerun\Formats\Cli;

use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\VerdictWords;

/** An estimate as text for people. */
final class Table
{
    public static function of(Estimate $estimate, UnitFormatter $say): string
    {
        $rows = [['stage', 'power', 'P10–P90', 'torque', 'spend', 'in all', 'weakest link']];
        foreach ($estimate->results as $i => $result) {
            $weakest = $result->weakest();
            $rows[] = [
                $i === 0 ? 'as received' : "{$i} {$result->state->stage?->name}",
                $say->sayPower($result->power->p50),
                "{$say->writePower($result->power->p10)}–{$say->writePower($result->power->p90)}",
                $say->sayTorque($result->torque->p50),
                $say->sayMoney($estimate->costs[$i]->spend->likely),
                $say->sayMoney($estimate->cumulative($i)->likely),
                $weakest === null ? '–' : sprintf('%s %d %%, %s', $weakest->limit->name, round(100 * (float) $weakest->used), Terms::status($weakest->status)),
            ];
        }
        $text = self::columns($rows)."\n";
        $words = new VerdictWords($estimate->bundle->catalog, $say);
        foreach ((new Verdict($estimate))->lines() as $line) {
            $detail = $line->detail === null ? '' : ": {$words->of($line->detail)}";
            $text .= '['.Terms::status($line->status)."] {$words->of($line->headline)}{$detail}\n";
        }

        return $text."\n".Terms::PROMISE."\n";
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
