<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Formats\Csv\CsvWriter;

/** A platform's parts as a table that a spreadsheet program opens: one line for each part, its first gain, its price. */
final class PartsTable
{
    public static function of(DraftLibrary $draft, UnitFormatter $say): string
    {
        $catalog = $draft->opened()->bundle->catalog;
        $power = $say->powerLabel();
        $torque = $say->torqueLabel();
        $text = CsvWriter::MARK.CsvWriter::record(['Slot', 'Maker', 'Name', "Gain low, {$power}", "Gain likely, {$power}", "Gain high, {$power}", "Gain likely, {$torque}", 'Rests on', 'Note', "Price, {$say->currency->code}", 'Price of', 'Hours', 'Offered', 'Key']);
        foreach ($catalog->parts as $part) {
            $text .= CsvWriter::record(self::row($part, $catalog->platform->slots[$part->slots[0]]->name, $say));
        }

        return $text;
    }

    /** @return list<string|int|float|null> */
    private static function row(Part $part, string $slot, UnitFormatter $say): array
    {
        $gain = $part->gains[0] ?? null;
        $figures = $gain === null ? [null, null, null, null] : [$say->power($gain->power->low, 1), $say->power($gain->power->likely, 1), $say->power($gain->power->high, 1), $say->torque($gain->torque->likely, 1)];

        return [
            $slot, $part->maker, $part->name, ...$figures, $gain === null ? '' : Terms::evidence($gain->source->evidence), $gain->source->note ?? '',
            $say->money($part->price->new->likely), $part->price->asOf, $part->work->hours / 100.0, $part->retired === null ? 'yes' : 'no longer', $part->key,
        ];
    }
}
