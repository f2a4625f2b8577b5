<?php

namespace Pebblerun\Core\Units;

/** A currency by its ISO 4217 code, with the number of decimals that its minor unit has. */
final readonly class Currency
{
    /** ISO 4217, table A.1: the currencies whose minor unit is not a hundredth. */
    private const WITHOUT_DECIMALS = ['BIF', 'CLP', 'DJF', 'GNF', 'ISK', 'JPY', 'KMF', 'KRW', 'PYG', 'RWF', 'UGX', 'UYI', 'VND', 'VUV', 'XAF', 'XOF', 'XPF'];

    private const WITH_THREE = ['BHD', 'IQD', 'JOD', 'KWD', 'LYD', 'OMR', 'TND'];

    /** @param  int<0, 3>  $decimals  digits of the minor unit */
    private function __construct(public string $code, public int $decimals) {}

    /** @throws InvalidQuantity for what is no three capital letters. */
    public static function of(string $code): self
    {
        preg_match('/^[A-Z]{3}$/D', $code) === 1 || throw InvalidQuantity::unknownCurrency($code);

        return new self($code, match (true) {
            in_array($code, self::WITHOUT_DECIMALS, true) => 0,
            in_array($code, self::WITH_THREE, true) => 3,
            default => 2,
        });
    }

    /** Minor units of an amount as people write it: 12.5 EUR is 1,250, 12 JPY is 12. */
    public function minor(float $major): int
    {
        return (int) round($major * 10 ** $this->decimals);
    }

    /** The amount as people write it. */
    public function major(int $minor): float
    {
        return $minor / 10 ** $this->decimals;
    }
}
