<?php

namespace Pebblerun\Core\Catalog\Parts;

use Pebblerun\Core\Units\MoneyRange;

/** What a part costs to buy, and what it brings. Money in minor units. */
final readonly class PartPrice
{
    /** What of a part's price in the formats is money, besides what it costs new. */
    public const BESIDE = ['used', 'consumables', 'resale', 'revision'];

    /** All that is; its hours are work. */
    public const MONEY = ['new', ...self::BESIDE];

    /**
     * @param  MoneyRange  $new  a piece
     * @param  ?MoneyRange  $used  a piece, second hand; null when it is not sold so
     * @param  MoneyRange  $consumables  gaskets, fluids, clamps
     * @param  int  $resale  what the part brings when it leaves again
     * @param  ?MoneyRange  $revision  of a map, when it is written once more for the same car; null: as when new
     * @param  ?string  $asOf  date of the price, ISO 8601
     */
    public function __construct(
        public MoneyRange $new,
        public ?MoneyRange $used,
        public MoneyRange $consumables,
        public int $resale,
        public ?string $asOf,
        public ?MoneyRange $revision = null,
    ) {}

    public static function free(): self
    {
        return new self(MoneyRange::exact(0), null, MoneyRange::exact(0), 0, null);
    }
}
