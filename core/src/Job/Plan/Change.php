<?php

namespace Pebblerun\Core\Job\Plan;

/** One change of a stage: a part fitted (bought again where it already stands), or a slot put back to stock. */
final readonly class Change
{
    private function __construct(
        public ?string $part,
        public ?string $slot,
        public ?PriceBasis $basis,
        public ?int $agreed,
        public int $quantity,
        public bool $bought = false,
        public bool $ownWork = false,
    ) {}

    /**
     * @param  ?PriceBasis  $basis  null: the plan's
     * @param  bool  $bought  the money is spent: the part is on the shelf
     * @param  bool  $ownWork  the customer fits it
     * @param  ?int  $agreed  an agreed price a piece in minor units, in place of the list's
     */
    public static function fit(string $part, ?PriceBasis $basis = null, ?int $agreed = null, int $quantity = 1, bool $bought = false, bool $ownWork = false): self
    {
        return new self($part, null, $basis, $agreed, $quantity, $bought, $ownWork);
    }

    public static function remove(string $slot): self
    {
        return new self(null, $slot, null, null, 0);
    }
}
