<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\MoneyRange;

/** What a part costs to buy and to fit. Money in minor units, hours in hundredths. */
final readonly class PartPrice
{
    /**
     * @param  MoneyRange  $new  a piece
     * @param  ?MoneyRange  $used  a piece, second hand; null when it is not sold so
     * @param  MoneyRange  $consumables  gaskets, fluids, clamps
     * @param  int  $hours  hundredths of an hour to fit, access included
     * @param  int  $accessHours  of these, shared with the other parts of the access group
     * @param  ?string  $accessGroup  what has to come off first
     * @param  int  $resale  what the part brings when it leaves again
     * @param  ?MoneyRange  $revision  of a map, when it is written once more for the same car; null: as when new
     * @param  ?string  $asOf  date of the price, ISO 8601
     */
    public function __construct(
        public MoneyRange $new,
        public ?MoneyRange $used,
        public MoneyRange $consumables,
        public int $hours,
        public int $accessHours,
        public ?string $accessGroup,
        public int $resale,
        public ?string $asOf,
        public ?MoneyRange $revision = null,
    ) {}

    public static function free(): self
    {
        return new self(MoneyRange::exact(0), null, MoneyRange::exact(0), 0, 0, null, 0, null);
    }
}
