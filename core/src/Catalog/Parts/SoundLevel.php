<?php

namespace Pebblerun\Core\Catalog\Parts;

/** How loud a part makes a car, and how loud a customer will have it. */
enum SoundLevel: string
{
    case AsStock = 'as-stock';
    case ALittle = 'a-little';
    case Open = 'open';

    public function louderThan(self $other): bool
    {
        return array_search($this, self::cases(), true) > array_search($other, self::cases(), true);
    }
}
