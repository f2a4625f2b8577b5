<?php

namespace App\Assembly;

use App\Models\EvidenceRecord;
use App\Models\LimitOutcome;
use App\Models\Shop;
use Pebblerun\Core\Report\UnitFormatter;

/** On what build something was found, as one line. */
final readonly class BuildInWords
{
    /** @var array<string, string> names of fuels, by key */
    private array $fuels;

    public function __construct(Shop $shop, private UnitFormatter $say)
    {
        $this->fuels = array_column($shop->document['fuels'], 'name', 'key');
    }

    public function of(EvidenceRecord|LimitOutcome $one): string
    {
        $map = match ($one->map_sound) {
            true => 'a sound map',
            false => 'a suspect map',
            null => $one->map_by === '' ? '' : 'map',
        };

        return implode(', ', array_filter([
            $one->fuel === null ? '' : ($this->fuels[$one->fuel] ?? $one->fuel),
            $map === '' ? '' : $map.($one->map_by === '' ? '' : " by {$one->map_by}"),
            $one->used_on === null ? '' : "on the {$one->used_on}",
            $one->km === null ? '' : $this->say->numerals->write((float) $one->km).' km',
            $one->hard_share === null ? '' : $this->say->numerals->write(100.0 * $one->hard_share).' % of it hard',
        ]));
    }
}
