<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Cars\Aspiration;
use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Range;

/** What of a car decides which figures of its platform hold: year, gearbox, variant, and the fuel it came with. */
final readonly class StockCar
{
    private function __construct(public int $year, private Gearbox $gearbox, private CarUse $use, private ?string $variant, private Fuel $fuel) {}

    /** @param  array<string, Fuel>  $fuels  by key */
    public static function of(DocumentNode $brief, array $fuels, FuelKind $kind): self
    {
        $car = $brief->get('car');
        // A fuel that the shop has not is refused where the brief is read.
        $fuel = $fuels[$brief->get('received')->get('fuel')->string()] ?? new Fuel('', '', 0.0, Range::exact(0.0), $kind);

        return new self($car->get('year')->int(), $car->get('gearbox')->enum(Gearbox::class), $brief->maybe('use')?->enum(CarUse::class) ?? CarUse::Road, $car->maybe('variant')?->string(), $fuel);
    }

    public function ofYear(int $year): self
    {
        return new self($year, $this->gearbox, $this->use, $this->variant, $this->fuel);
    }

    /** @param  list<Variant>  $variants  of the platform; the first of its model year where nobody said */
    public function situation(Aspiration $aspiration, Drive $drive, array $variants): Situation
    {
        $usual = array_values(array_filter($variants, fn (Variant $variant): bool => $variant->isOf($this->year)))[0] ?? null;

        return new Situation(new Car($this->year, $this->gearbox, $this->use, $aspiration, $drive, variant: $this->variant ?? $usual?->key), [], $this->fuel);
    }
}
