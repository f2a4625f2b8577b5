<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\All;
use Pebblerun\Core\Catalog\Conditions\Any;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Conditions\None;
use Pebblerun\Core\Catalog\Conditions\Term;
use Pebblerun\Core\Catalog\Parts\Part;

/** Data faults that only show when the whole catalog is known. For what strangers send; what is stored has passed it. */
final class CatalogCheck
{
    /** Beyond this mean effective pressure a unit is wrong: 100 bar. What is only hard to believe is pointed out. */
    private const MOST_PRESSURE = 100e5;

    /** @return list<InvalidBundle> every fault, none when the catalog is sound */
    public static function faults(Catalog $catalog): array
    {
        $faults = [];
        $cases = new CaseCheck($catalog);
        $i = 0;
        foreach ($catalog->parts as $part) {
            $path = "parts[{$i}]";
            array_push($faults, ...self::needs($part, $path, $catalog), ...self::losses($part, $path, $catalog), ...self::contents($part, $path, $catalog), ...self::successor($part, $path, $catalog), ...$cases->faults($part, $path));
            $i++;
        }
        $pressure = $catalog->platform->baseline->peakTorque()->value * 4.0 * M_PI / $catalog->platform->engine->displacement;
        if ($pressure > self::MOST_PRESSURE) {
            $faults[] = new InvalidBundle('platform.baseline', sprintf('its torque would need a mean effective pressure of %.0f bar: check torque and displacement (litres).', $pressure / 1e5));
        }

        return $faults;
    }

    /** @return list<InvalidBundle> */
    private static function needs(Part $part, string $path, Catalog $catalog): array
    {
        $faults = [];
        foreach (['requires' => $part->needs->requires, 'recommends' => $part->needs->recommends] as $key => $needs) {
            foreach ($needs as $n => $need) {
                if (! self::reachable($need->that, $catalog)) {
                    $faults[] = new InvalidBundle("{$path}.{$key}[{$n}].that", "nothing in this catalog or the shop's fuels can satisfy it for \"{$part->key}\": add the part or fuel, or correct the condition.");
                }
            }
        }

        return $faults;
    }

    private static function reachable(Condition $condition, Catalog $catalog): bool
    {
        return match (true) {
            $condition instanceof All => array_filter($condition->of, fn (Condition $one): bool => ! self::reachable($one, $catalog)) === [],
            $condition instanceof Any => array_filter($condition->of, fn (Condition $one): bool => self::reachable($one, $catalog)) !== [],
            $condition instanceof None => true,
            $condition instanceof Term => $condition->reachable($catalog),
            default => true,
        };
    }

    /** @return list<InvalidBundle> losses of everything that there is */
    private static function losses(Part $part, string $path, Catalog $catalog): array
    {
        $power = $catalog->platform->baseline->peakPower()->value;
        $torque = $catalog->platform->baseline->peakTorque()->value;
        $faults = [];
        foreach ($part->gains as $n => $case) {
            $least = min($case->power->low / ($case->reference->power ?? $power), $case->torque->low / ($case->reference->torque ?? $torque));
            if ($least <= -1.0) {
                $faults[] = new InvalidBundle("{$path}.gains[{$n}]", sprintf('a loss of %.0f %% leaves nothing: correct the loss, or what it was measured on.', -100 * $least));
            }
        }

        return $faults;
    }

    /** @return list<InvalidBundle> */
    private static function contents(Part $part, string $path, Catalog $catalog): array
    {
        $faults = [];
        foreach ($part->contains as $n => $key) {
            $single = $catalog->parts[$key] ?? null;
            if ($single === null || array_diff($single->slots, $part->slots) !== []) {
                $faults[] = new InvalidBundle("{$path}.contains[{$n}]", "\"{$key}\" must be a part of the catalog that stands in one of the kit's own slots.");
            }
        }

        return $faults;
    }

    /** @return list<InvalidBundle> */
    private static function successor(Part $part, string $path, Catalog $catalog): array
    {
        $key = $part->retired?->successor;

        return match (true) {
            $key === null => [],
            $key === $part->key => [new InvalidBundle("{$path}.retired.successor", 'a part is not its own successor: name another, or none.')],
            ! isset($catalog->parts[$key]) => [new InvalidBundle("{$path}.retired.successor", "there is no part \"{$key}\": name one of the catalog, or none.")],
            default => [],
        };
    }
}
