<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\ComparedCode;
use Pebblerun\Core\Advice\ComparedFigure;
use Pebblerun\Core\Advice\Comparison;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Report\Words\LimitWords;

/** Writes two plans beside each other. */
final readonly class ComparisonDocument
{
    private function __construct(private Comparison $comparison, private UnitFormatter $say) {}

    /** @return array<string, mixed> valid against comparison of schemas/answers.json */
    public static function of(Comparison $comparison, UnitFormatter $say): array
    {
        $document = new self($comparison, $say);

        return ['figures' => array_map($document->figure(...), $comparison->figures()), 'parts' => $document->parts(), 'curves' => $document->curves()];
    }

    /** @return array<string, mixed> as each ends, over the car as it was received */
    private function curves(): array
    {
        $received = $this->comparison->here->results[0];

        return [
            'grid' => ['first' => $received->likely->first, 'step' => Thinned::EVERY * Curve::STEP],
            'received' => CurvesDocument::thin($received->likely, $this->say),
            'here' => CurvesDocument::thin($this->comparison->here->last()->likely, $this->say),
            'there' => CurvesDocument::thin($this->comparison->there->last()->likely, $this->say),
        ];
    }

    /** @return array{name: string, here: string, there: string, better: string} better: here, there, or neither where it cannot be said */
    private function figure(ComparedFigure $figure): array
    {
        [$here, $there] = [$this->value($figure->code, $figure->here), $this->value($figure->code, $figure->there)];

        return ['name' => self::name($figure->code), 'here' => $here, 'there' => $there, 'better' => ['there', 'neither', 'here'][$here === $there ? 1 : $figure->lead + 1]];
    }

    private static function name(ComparedCode $code): string
    {
        return match ($code) {
            ComparedCode::Power => 'Wheel power, median',
            ComparedCode::LowPower => '90 % of cars exceed',
            ComparedCode::Torque => 'Wheel torque, median',
            ComparedCode::TorqueInRange => 'Torque over the rpm range in use',
            ComparedCode::Total => 'Total',
            ComparedCode::Hours => 'Hours',
            ComparedCode::Stages => 'Stages',
            ComparedCode::WeakestLink => 'Weakest link',
        };
    }

    private function value(ComparedCode $code, int|float|LimitReading|null $value): string
    {
        if (! is_int($value) && ! is_float($value)) {
            return $value === null ? 'none' : "{$value->limit->name} ".LimitWords::percents($value, $this->say->numerals).', '.Terms::status($value->status);
        }

        return match ($code) {
            ComparedCode::Power, ComparedCode::LowPower => $this->say->sayPower($value),
            ComparedCode::Torque => $this->say->sayTorque($value),
            ComparedCode::TorqueInRange => $this->say->numerals->signed(100 * $value, 1).' %',
            ComparedCode::Total => $this->say->sayMoney((int) $value),
            ComparedCode::Hours => $this->say->numerals->write($value / 100, 1).' h',
            ComparedCode::Stages, ComparedCode::WeakestLink => (string) $value,
        };
    }

    /** @return list<array{slot: string, here: string, there: string}> slots that end with another part, or get it in another stage */
    private function parts(): array
    {
        [$here, $there] = [$this->comparison->here, $this->comparison->there];
        $rows = array_map(fn (array $difference): array => [
            'slot' => $here->bundle->catalog->platform->slots[$difference['slot']]->name,
            'here' => self::ends($here, $difference['here']),
            'there' => self::ends($there, $difference['there']),
        ], $this->comparison->parts());
        [$fuelHere, $fuelThere] = [$here->last()->state->build->fuel->name, $there->last()->state->build->fuel->name];

        return $fuelHere === $fuelThere ? $rows : [...$rows, ['slot' => 'Fuel', 'here' => $fuelHere, 'there' => $fuelThere]];
    }

    private static function ends(Estimate $estimate, ?Part $part): string
    {
        if ($part === null) {
            return 'stock';
        }
        $since = $estimate->last()->state->since($part);

        return $since === 0 ? "{$part->name}, as received" : "{$part->name}, stage {$since}";
    }
}
