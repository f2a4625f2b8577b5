<?php

namespace Pebblerun\Core\Catalog;

/** Words of the trade for one thing: whoever looks for one of them finds what is called by another. */
final class TradeWords
{
    /** Letters from which on a beginning stands for a word. */
    private const ENOUGH = 3;

    private const GROUPS = [
        ['map', 'tune', 'remap', 'calibration'],
        ['stage', 'power level'],
        ['intercooler', 'charge cooler', 'front cooler', 'top cooler'],
        ['header', 'manifold'],
        ['intake', 'induction', 'air box'],
        ['exhaust', 'cat-back', 'silencer', 'muffler'],
        ['downpipe', 'front pipe'],
        ['blower', 'supercharger', 'compressor'],
        ['turbo', 'turbocharger'],
        ['injector', 'nozzle'],
        ['plug', 'spark plug'],
        ['clutch', 'coupling'],
        ['coilover', 'suspension'],
    ];

    /** @return list<list<string>> */
    public static function groups(): array
    {
        return self::GROUPS;
    }

    /**
     * Other words for what a word begins.
     *
     * @param  string  $letters  lower case
     * @return list<string>
     */
    public static function beside(string $letters): array
    {
        if (mb_strlen($letters) < self::ENOUGH) {
            return [];
        }
        $beside = [];
        foreach (self::GROUPS as $group) {
            $named = array_filter($group, fn (string $word): bool => str_starts_with($word, $letters) || array_filter(explode(' ', $word), fn (string $one): bool => str_starts_with($one, $letters)) !== []);
            $beside = $named === [] ? $beside : [...$beside, ...array_diff($group, $named)];
        }

        return array_values(array_unique($beside));
    }
}
