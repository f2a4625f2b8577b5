<?php

namespace Pebblerun\Core\Report;

use DateTimeImmutable;
use Pebblerun\Core\Advice\NextStep;

/** How old a price is: one of long ago is asked again. */
final readonly class PriceAge
{
    private ?int $days;

    /**
     * @param  ?string  $asOf  ISO 8601; null where nobody said
     * @param  string  $today  ISO 8601, in the shop's zone
     */
    public function __construct(?string $asOf, string $today)
    {
        $this->days = $asOf === null ? null : max(0, (int) (new DateTimeImmutable($asOf))->diff(new DateTimeImmutable($today))->format('%r%a'));
    }

    public function words(): string
    {
        return match ($this->days) {
            null => 'no date',
            0 => 'of today',
            1 => '1 day old',
            default => "{$this->days} days old",
        };
    }

    public function isOld(): bool
    {
        return $this->days === null || $this->days > NextStep::PRICE_DAYS;
    }
}
