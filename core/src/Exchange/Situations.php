<?php

namespace Pebblerun\Core\Exchange;

use Generator;
use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Cars\CarFact;
use Pebblerun\Core\Catalog\Cars\CarMeasure;
use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Catalog\Cars\Tyres;
use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Catalog;
use Pebblerun\Core\Catalog\Conditions\CarHas;
use Pebblerun\Core\Catalog\Conditions\CarIs;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Conditions\MapIs;
use Pebblerun\Core\Catalog\Conditions\OctaneAtLeast;
use Pebblerun\Core\Catalog\Conditions\PartFitted;
use Pebblerun\Core\Catalog\Conditions\Situation;
use Pebblerun\Core\Catalog\Conditions\SlotIs;
use Pebblerun\Core\Catalog\Conditions\TagFitted;
use Pebblerun\Core\Catalog\Conditions\Term;
use Pebblerun\Core\Catalog\Conditions\YearIn;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Physics\Driveline\Gearbox;

/** Every situation a catalog can bring about, as far as given terms tell one from another. */
final readonly class Situations
{
    /**
     * @param  list<Term>  $terms
     * @param  bool  $anyFuel  whether the fuel matters even where no term speaks of it
     */
    public function __construct(private Catalog $catalog, private array $terms, private bool $anyFuel) {}

    /** @return Generator<int, Situation> with this part in its slots */
    public function around(Part $part): Generator
    {
        $fuels = $this->fuels();
        $cars = $this->cars();
        foreach ($fuels === [] ? [] : $this->builds(array_fill_keys($part->slots, $part), $this->options($cars[0], $fuels[0])) as $fitted) {
            foreach ($fuels as $fuel) {
                foreach ($cars as $car) {
                    yield new Situation($car, $fitted, $fuel);
                }
            }
        }
    }

    /** @return list<Fuel> */
    private function fuels(): array
    {
        $matters = $this->anyFuel || $this->having(EthanolAtLeast::class) !== [] || $this->having(OctaneAtLeast::class) !== [];

        return array_slice(array_values($this->catalog->fuels), 0, $matters ? null : 1);
    }

    /** @return non-empty-list<Car> */
    private function cars(): array
    {
        $platform = $this->catalog->platform;
        $asked = fn (CarFact $fact): bool => array_filter($this->having(CarIs::class), fn (CarIs $term): bool => $term->fact === $fact) !== [];
        $cars = [];
        foreach ($this->years() as $year) {
            $variants = array_map(fn (Variant $variant): string => $variant->key, $platform->variantsOf($year)) ?: [null];
            foreach ($asked(CarFact::Gearbox) ? Gearbox::cases() : [Gearbox::Manual] as $gearbox) {
                foreach ($asked(CarFact::Use) ? CarUse::cases() : [CarUse::Road] as $use) {
                    foreach ($asked(CarFact::Variant) ? $variants : [$variants[0]] as $variant) {
                        foreach ($asked(CarFact::Tyres) ? [null, ...Tyres::cases()] : [null] as $tyres) {
                            foreach ($this->figures(CarMeasure::Lift) as $lift) {
                                foreach ($this->figures(CarMeasure::Mass) as $mass) {
                                    $cars[] = new Car($year, $gearbox, $use, $platform->engine->aspiration, $platform->body->drive, variant: $variant, tyres: $tyres, lift: $lift, mass: $mass);
                                }
                            }
                        }
                    }
                }
            }
        }

        return $cars;
    }

    /** @return non-empty-list<float> below all terms that ask for it, and at each */
    private function figures(CarMeasure $measure): array
    {
        return array_values(array_unique([0.0, ...array_map(fn (CarHas $term): float => $term->least, array_filter($this->having(CarHas::class), fn (CarHas $term): bool => $term->measure === $measure))]));
    }

    /** @return non-empty-list<int> the first year, and each in which a term begins to hold or ceases to */
    private function years(): array
    {
        $platform = $this->catalog->platform;
        $years = [$platform->firstYear];
        foreach ($this->having(YearIn::class) as $term) {
            array_push($years, $term->from ?? $platform->firstYear, ($term->to ?? $platform->lastYear) + 1);
        }

        return array_values(array_unique(array_filter($years, fn (int $year): bool => $year >= $platform->firstYear && $year <= $platform->lastYear))) ?: [$platform->firstYear];
    }

    /** @return list<Part> one for each way in which a part can decide the terms */
    private function options(Car $car, Fuel $fuel): array
    {
        $options = [];
        foreach ($this->catalog->parts->all() as $part) {
            $alone = new Situation($car, array_fill_keys($part->slots, $part), $fuel);
            $decided = array_map(fn (Term $term): int => (int) self::decides($part, $term, $alone), $this->terms);
            if (in_array(1, $decided, true)) {
                $options[implode($decided).' '.implode(' ', $part->slots)] ??= $part;
            }
        }

        return array_values($options);
    }

    private static function decides(Part $part, Term $term, Situation $alone): bool
    {
        return match (true) {
            $term instanceof SlotIs => in_array($term->slot, $part->slots, true),
            $term instanceof PartFitted, $term instanceof TagFitted, $term instanceof MapIs => $term->holds($alone),
            default => false,
        };
    }

    /**
     * @param  array<string, Part>  $fitted
     * @param  list<Part>  $options
     * @return Generator<int, array<string, Part>> every choice of options whose slots are free
     */
    private function builds(array $fitted, array $options): Generator
    {
        if ($options === []) {
            yield $fitted;

            return;
        }
        $part = array_shift($options);
        yield from $this->builds($fitted, $options);
        if (array_intersect_key($fitted, array_flip($part->slots)) === []) {
            yield from $this->builds($fitted + array_fill_keys($part->slots, $part), $options);
        }
    }

    /**
     * @template T of Term
     *
     * @param  class-string<T>  $class
     * @return list<T>
     */
    private function having(string $class): array
    {
        return array_values(array_filter($this->terms, fn (Term $term): bool => $term instanceof $class));
    }
}
