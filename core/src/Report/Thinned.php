<?php

namespace Pebblerun\Core\Report;

/** Every so manyth point of a curve, for pictures: more would not show. */
final class Thinned
{
    public const EVERY = 2;

    /**
     * @param  list<float>  $values
     * @return list<float>
     */
    public static function of(array $values): array
    {
        return array_values(array_filter($values, fn (int $at): bool => $at % self::EVERY === 0, ARRAY_FILTER_USE_KEY));
    }
}
