<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Platform\Car;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Core\Units\Range;

/** What of a car decides which figures of its platform hold: year, gearbox, and the fuel it came with. */
final readonly class StockCar
{
    private function __construct(public int $year, private string $gearbox, private string $use, private Fuel $fuel) {}

    /** @param  array<string, Fuel>  $fuels  by key */
    public static function of(DocumentNode $brief, array $fuels, FuelKind $kind): self
    {
        $car = $brief->get('car');
        // A fuel that the shop has not is refused where the brief is read.
        $fuel = $fuels[$brief->get('received')->get('fuel')->string()] ?? new Fuel('', '', 0.0, Range::exact(0.0), $kind);

        return new self($car->get('year')->int(), $car->get('gearbox')->string(), $brief->maybe('use')?->string() ?? 'road', $fuel);
    }

    public function ofYear(int $year): self
    {
        return new self($year, $this->gearbox, $this->use, $this->fuel);
    }

    public function situation(string $aspiration, string $drive): Situation
    {
        return new Situation(new Car($this->year, $this->gearbox, $this->use, $aspiration, $drive), [], $this->fuel);
    }
}
