<?php

namespace Pebblerun\Core\Report\Words;

use Pebblerun\Core\Advice\Library\LibraryChange;
use Pebblerun\Core\Advice\Library\LibraryChangeCode;
use Pebblerun\Core\Report\UnitFormatter;

/** Says what differs between two states of the library: "Catalysed downpipe: gain 9 → 7 whp". */
final readonly class LibraryChangeWords
{
    public function __construct(private UnitFormatter $say) {}

    public function of(LibraryChange $change): string
    {
        $name = $change->part->name ?? $change->limit->name ?? '';

        return match ($change->code) {
            LibraryChangeCode::Added => "{$name}: new",
            LibraryChangeCode::Gone => "{$name}: no longer there",
            LibraryChangeCode::Retired => "{$name}: no longer offered".($change->successor === null ? '' : ", {$change->successor->name} takes its place"),
            LibraryChangeCode::Power => "{$name}: gain {$this->say->writePower($change->before)} → {$this->say->sayPower($change->after)}",
            LibraryChangeCode::Torque => "{$name}: gain {$this->say->writeTorque($change->before)} → {$this->say->sayTorque($change->after)}",
            LibraryChangeCode::Cases => "{$name}: its gains are revised",
            LibraryChangeCode::Price => "{$name}: ".($change->after >= $change->before ? '+ ' : '− ').$this->say->sayMoney((int) abs($change->after - $change->before)),
            LibraryChangeCode::Hours => "{$name}: {$this->hours($change->before)} → {$this->hours($change->after)} h to fit",
            LibraryChangeCode::Needs => "{$name}: needs something else than before",
            LibraryChangeCode::Other => "{$name}: revised",
            LibraryChangeCode::Baseline => "The stock car's curve is revised: {$this->say->writePower($change->before)} → {$this->say->sayPower($change->after)}",
            LibraryChangeCode::Limit => $this->limit($change),
            LibraryChangeCode::LimitAdded => "Limit of {$name}: new",
            LibraryChangeCode::LimitGone => "Limit of {$name}: no longer there",
            LibraryChangeCode::Platform => 'The platform is revised',
        };
    }

    private function limit(LibraryChange $change): string
    {
        $limit = $change->limit;
        if ($limit === null || $change->before === $change->after) {
            return 'Limit of '.($limit->name ?? '').': revised';
        }

        return "Limit of {$limit->name}: safe {$this->say->writeLimit($limit->quantity, $change->before)} → {$this->say->sayLimit($limit->quantity, $change->after)}";
    }

    private function hours(float $hundredths): string
    {
        return $this->say->numerals->write($hundredths / 100.0, 1);
    }
}
