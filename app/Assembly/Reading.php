<?php

namespace App\Assembly;

use App\Models\Shop;
use App\Models\User;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\UnitSystem;

/** The units and numerals that somebody reads in. */
final readonly class Reading
{
    public function __construct(public UnitSystem $units, public Numerals $numerals) {}

    public static function of(User $reader): self
    {
        return new self($reader->unitSystem(), $reader->numerals);
    }

    public static function ofShop(Shop $shop): self
    {
        return self::inUnits($shop->units);
    }

    /** @param  array<string, string>  $units  of a shop */
    public static function inUnits(array $units): self
    {
        return new self(UnitSystem::parse($units), Numerals::Comma);
    }

    /** @param  array<string, string>  $known  as toArray() gave them */
    public static function known(array $known): self
    {
        return new self(UnitSystem::parse($known), Numerals::from($known['numerals']));
    }

    /** @return array<string, string> */
    public function toArray(): array
    {
        return [...$this->units->toArray(), 'numerals' => $this->numerals->value];
    }

    /** "hp/lb-ft/bar/C/kg/comma". */
    public function name(): string
    {
        return implode('/', $this->toArray());
    }

    public function formatter(OpenedBundle $opened): UnitFormatter
    {
        return UnitFormatter::for($opened->bundle, $this->units, $this->numerals);
    }
}
