<?php

namespace Pebblerun\Core\Tests;

use BackedEnum;
use Closure;
use Pebblerun\Core\Catalog\Conditions\Condition;
use Pebblerun\Core\Catalog\Limits\Ceiling;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Parts\GainCase;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Platform\Slot;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Model\Build;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Math\Curve;
use UnitEnum;

/** Results of the core as plain figures and codes: what is in the catalog by its key, figures with eight digits. */
final class FigureRecord
{
    public static function of(mixed $value): mixed
    {
        return match (true) {
            is_float($value) => is_finite($value) ? (float) sprintf('%.7e', $value) : (string) $value,
            is_scalar($value), $value === null => $value,
            is_array($value) => array_map(self::of(...), $value),
            $value instanceof BackedEnum => $value->value,
            $value instanceof UnitEnum => $value->name,
            $value instanceof Part, $value instanceof Fuel, $value instanceof Limit, $value instanceof Ceiling, $value instanceof Slot => $value->key,
            $value instanceof Curve => array_map(self::of(...), array_filter($value->torque, fn (int $i): bool => $i % 10 === 0, ARRAY_FILTER_USE_KEY)),
            $value instanceof Build => array_map(fn (Part $part): string => $part->key.($value->covers($part) ? ', covered' : ''), $value->fitted),
            $value instanceof GainCase => self::of([$value->power, $value->torque]),
            $value instanceof StageState => self::of($value->build),
            $value instanceof Condition, $value instanceof Closure => null,
            is_object($value) => self::of(get_object_vars($value)),
            default => get_debug_type($value),
        };
    }
}
