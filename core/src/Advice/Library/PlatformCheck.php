<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Advice\EngineLoad;
use Pebblerun\Core\Catalog\Conditions\EthanolAtLeast;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Belief;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;

/**
 * What must agree in a platform's figures: else its estimates are wrong, however well they are computed. The stock car's engine fills
 * as such engines do, asks no more of itself than they bear, and stands clear of every limit; fuel is given as flow.
 */
final readonly class PlatformCheck
{
    private const LEAST_FILLING = 0.75;

    private const MOST_FILLING_BOOSTED = 1.10;

    private const MOST_FILLING_NATURAL = 1.20;

    /** Of what is safe, which the stock car uses at the most; and the room in K that temperatures leave. */
    private const USED = 0.92;

    private const ROOM_CHARGE = 10.0;

    private const ROOM_EXHAUST = 40.0;

    /** A fuel component carries the stock car with a tenth to spare. */
    private const USED_FUEL = 1.0 / 1.1;

    private function __construct(private Estimate $stock) {}

    /**
     * @param  Estimate  $stock  of the stock car, unmeasured, with nothing planned
     * @return list<LibraryDoubt>
     */
    public static function of(Estimate $stock): array
    {
        $check = new self($stock);

        return [...$check->filling(), ...$check->load(), ...$check->claim(), ...$check->limits(), ...$check->reasons(), ...$check->fuel()];
    }

    /** @return list<LibraryDoubt> the speed where it is furthest off, once */
    private function filling(): array
    {
        $result = $this->stock->last();
        $air = $this->stock->evaluator->breath($result->model, $this->stock->evaluator->likely($result->model));
        if ($air === null) {
            return [];
        }
        $most = $this->stock->bundle->catalog->platform->engine->boosted ? self::MOST_FILLING_BOOSTED : self::MOST_FILLING_NATURAL;
        $worst = null;
        foreach ([$air->stock->torqueRpm, $air->stock->plateauEnd, $air->stock->powerRpm] as $rpm) {
            $filling = $air->stock->filling($rpm);
            $off = max(self::LEAST_FILLING - $filling, $filling - $most);
            if ($off > 0.0 && $off > ($worst[0] ?? 0.0)) {
                $code = $filling < self::LEAST_FILLING ? LibraryDoubtCode::FillsTooLittle : LibraryDoubtCode::FillsTooMuch;
                $worst = [$off, new LibraryDoubt($code, 'baseline', ['rpm' => $rpm, 'filling' => $filling, 'bound' => $filling < self::LEAST_FILLING ? self::LEAST_FILLING : $most])];
            }
        }

        return $worst === null ? [] : [$worst[1]];
    }

    /** @return list<LibraryDoubt> */
    private function load(): array
    {
        $load = EngineLoad::of($this->stock->last(), $this->stock->bundle->catalog->platform, $this->stock->evaluator->losses[0]);

        return $load->belief === Belief::Usual ? [] : [new LibraryDoubt(LibraryDoubtCode::HardToBelieve, 'baseline', ['pressure' => $load->pressure, 'per_litre' => $load->powerPerLitre])];
    }

    /** @return list<LibraryDoubt> */
    private function claim(): array
    {
        $claimed = $this->stock->bundle->catalog->platform->engine->claimed;
        $wheels = $this->stock->last()->likely->peakPower()->value;

        return $claimed === null || $claimed >= $wheels ? [] : [new LibraryDoubt(LibraryDoubtCode::ClaimBelowWheels, 'claimed.power', ['claimed' => $claimed, 'wheels' => $wheels])];
    }

    /** @return list<LibraryDoubt> */
    private function limits(): array
    {
        $platform = $this->stock->bundle->catalog->platform;
        $doubts = $platform->limits === [] ? [new LibraryDoubt(LibraryDoubtCode::NoLimits, 'limits')] : [];
        foreach ($this->stock->last()->readings as $reading) {
            if (! self::hasRoom($reading)) {
                $at = array_search($reading->limit->key, array_column($platform->limits, 'key'), true);
                $component = array_search($reading->limit->key, array_column($platform->fuelSystem, 'key'), true);
                $path = is_int($at) ? "limits[{$at}]" : (is_int($component) ? "fuel_system[{$component}]" : 'limits');
                $doubts[] = new LibraryDoubt(LibraryDoubtCode::StockNearLimit, $path, ['share' => $reading->median ?? 0.0, 'name' => $reading->limit->name, 'room' => $reading->safe - $reading->typical], limit: $reading->limit);
            }
        }

        return $doubts;
    }

    /** @return list<LibraryDoubt> */
    private function reasons(): array
    {
        $doubts = [];
        foreach ($this->stock->bundle->catalog->platform->limits as $i => $limit) {
            if ($limit->setByHand && $limit->note === '') {
                $doubts[] = new LibraryDoubt(LibraryDoubtCode::NoReasonOfLimit, "limits[{$i}].evidence.note", ['name' => $limit->name]);
            }
        }

        return $doubts;
    }

    private static function hasRoom(LimitReading $reading): bool
    {
        return $reading->status === Status::Clear && match ($reading->limit->quantity) {
            Quantity::ChargeTemperature => $reading->safe - $reading->typical >= self::ROOM_CHARGE,
            Quantity::ExhaustTemperature => $reading->safe - $reading->typical >= self::ROOM_EXHAUST,
            Quantity::FuelFlow => $reading->median <= self::USED_FUEL,
            Quantity::EngineSpeed, Quantity::Knock => $reading->median < 1.0,
            default => $reading->median <= self::USED,
        };
    }

    /** @return list<LibraryDoubt> */
    private function fuel(): array
    {
        $platform = $this->stock->bundle->catalog->platform;
        $doubts = $platform->fuelSystem === [] ? [new LibraryDoubt(LibraryDoubtCode::NoFuelSystem, 'fuel_system')] : [];
        foreach ($platform->ceilings as $i => $ceiling) {
            if (array_filter($ceiling->when?->leaves() ?? [], fn (object $term): bool => $term instanceof EthanolAtLeast) !== []) {
                $doubts[] = new LibraryDoubt(LibraryDoubtCode::FuelAsCeiling, "ceilings[{$i}]", ['name' => $ceiling->name]);
            }
        }

        return $doubts;
    }
}
