<?php

namespace Pebblerun\Core\Exchange;

use Pebblerun\Core\Catalog\Cars\Car;
use Pebblerun\Core\Catalog\Cars\CarUse;
use Pebblerun\Core\Catalog\Cars\Tyres;
use Pebblerun\Core\Catalog\Cars\Variant;
use Pebblerun\Core\Catalog\Parts\SoundLevel;
use Pebblerun\Core\Catalog\Platform\Platform;
use Pebblerun\Core\Catalog\Shop\Shop;
use Pebblerun\Core\Job\Brief\AsReceived;
use Pebblerun\Core\Job\Brief\Brief;
use Pebblerun\Core\Job\Brief\Budget;
use Pebblerun\Core\Job\Brief\Confirmation;
use Pebblerun\Core\Job\Brief\CustomerConstraints;
use Pebblerun\Core\Job\Brief\Driving;
use Pebblerun\Core\Job\Brief\HealthCheck;
use Pebblerun\Core\Job\Brief\Outside;
use Pebblerun\Core\Job\Brief\QuarterMileTime;
use Pebblerun\Core\Job\Brief\Refusal;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Dyno\Frame;
use Pebblerun\Core\Units\UnitSystem;

/** Reads a brief; what is not answered yet may be absent. */
final readonly class BriefReader
{
    public function __construct(private UnitSystem $units, private Platform $platform, private Shop $shop) {}

    public function read(DocumentNode $node): Brief
    {
        $car = $this->car($node);

        return new Brief(
            $car,
            $this->received($node->get('received'), $car),
            $this->target($node->maybe('target'), $car),
            $this->budget($node->maybe('budget')),
            $this->usedSpeeds($node->maybe('rpm_range')),
            $node->has('fuels') ? $node->strings('fuels') : null,
            $node->maybe('risk')?->enum(Risk::class) ?? Risk::Normal,
            new CustomerConstraints(
                array_map(fn (DocumentNode $refusal): Refusal => $refusal->enum(Refusal::class), $node->each('refuses')),
                $node->maybe('noise')?->enum(SoundLevel::class),
                $node->maybe('inspection')?->keyword('usual', 'strict', 'none') === 'strict',
                $node->maybe('warranty')?->keyword('running', 'over') === 'running',
            ),
            $this->outside($node->maybe('outside')),
            $node->has('rpm_range'),
            self::driving($node->maybe('driving'), $car->use),
        );
    }

    /** Shares in percent; what is left of a hundred is daily driving. */
    private static function driving(?DocumentNode $node, CarUse $use): Driving
    {
        $usual = Driving::usual($use);
        $share = fn (string $key): float => ($node?->maybe("{$key}_percent")?->number() ?? 0.0) / 100.0;
        [$hard, $track, $drag] = [$share('hard'), $share('track'), $share('drag')];
        if ($node !== null && $hard + $track + $drag > 1.0 + 1e-9) {
            $node->refuse('hard road, track and drag are more than 100 % together: lower one of them.');
        }
        $told = $node !== null && ($node->has('hard_percent') || $node->has('track_percent') || $node->has('drag_percent'));

        return new Driving(
            $node?->maybe('months')?->number() ?? $usual->months, $node?->maybe('km_a_month')?->number() ?? $usual->distance,
            $told ? ['daily' => max(0.0, 1.0 - $hard - $track - $drag), 'hard' => $hard, 'track' => $track, 'drag' => $drag] : $usual->shares,
        );
    }

    /** What the brief does not say is as at the shop's place. */
    private function outside(?DocumentNode $node): Outside
    {
        $celsius = $node?->maybe('hottest_c')?->number();
        $trailer = $node?->maybe('trailer')?->number();

        return new Outside(
            $node?->maybe('altitude_m')?->number() ?? $this->shop->altitude ?? 0.0,
            $celsius === null ? $this->shop->hottest ?? Outside::HOTTEST : $celsius + 273.15,
            $trailer === null || $trailer <= 0.0 ? null : $trailer * $this->units->mass->kilograms(),
            ($node?->maybe('grade_percent')?->number() ?? 0.0) / 100.0,
            $node?->maybe('airspeed_m_s')?->number() ?? Outside::AIRSPEED,
        );
    }

    private function car(DocumentNode $node): Car
    {
        $car = $node->get('car');

        $gearbox = $car->get('gearbox')->enum(Gearbox::class);
        $usual = $this->platform->lossShare($gearbox, $this->shop->loss);

        return new Car(
            $car->get('year')->int(),
            $gearbox,
            $node->maybe('use')?->enum(CarUse::class) ?? CarUse::Road,
            $this->platform->engine->aspiration,
            $this->platform->body->drive,
            self::measuredLoss($car->maybe('measured_loss')) ?? $usual,
            $car->maybe('mileage_km')?->number(),
            (1.0 - $usual) / (1.0 - $this->platform->lossShare($this->platform->body->gearbox, $this->shop->loss)),
            $this->variant($car)?->key,
            $car->maybe('tyres')?->enum(Tyres::class),
            $car->maybe('lift_mm')?->number() ?? 0.0,
            $this->mass($car->maybe('mass')) ?? $this->platform->body->mass,
        );
    }

    private function mass(?DocumentNode $node): ?float
    {
        return $node === null ? null : $node->number() * $this->units->mass->kilograms();
    }

    /** Which of its model year's it is; the first where nobody said. */
    private function variant(DocumentNode $car): ?Variant
    {
        $there = $this->platform->variantsOf($car->get('year')->int());
        $said = $car->maybe('variant')?->keyword(...array_map(fn (Variant $variant): string => $variant->key, $there));

        return array_values(array_filter($there, fn (Variant $variant): bool => $said === null || $variant->key === $said))[0] ?? null;
    }

    private static function measuredLoss(?DocumentNode $pair): ?float
    {
        if ($pair === null) {
            return null;
        }
        $crank = $pair->get('crank_power')->number();
        $wheel = $pair->get('wheel_power')->number();

        return $wheel > 0.0 && $wheel < $crank ? 1.0 - $wheel / $crank : $pair->refuse("{$wheel} at the wheels of {$crank} at the crank cannot be: the wheels get less than the crank gives.");
    }

    /** A sheet from elsewhere is brought to the shop's own frame. */
    private function received(DocumentNode $node, Car $car): AsReceived
    {
        $curves = new CurveReader($this->units);
        $baseline = $node->maybe('baseline');
        $frame = $baseline === null ? Frame::own() : FrameReader::read($baseline, $this->shop->dynoFactors, $car->lossShare());
        $stated = $baseline === null ? null : $curves->statedPower($baseline);

        return new AsReceived(
            $node->strings('parts'),
            $node->get('fuel')->string(),
            $baseline === null ? null : $curves->read($baseline, $this->platform->engine->boosted)->scaled($frame->likely(1.0)),
            self::healthy($node),
            $this->unknown($node),
            self::checked($node, 'bad'),
            $baseline === null ? null : $curves->stray($baseline),
            self::confirmation($node->maybe('baseline_confirmed')),
            $stated === null ? null : $frame->likely($stated),
            array_map(fn (DocumentNode $pull): float => $pull->number() * $this->units->power->watts(), $baseline?->each('pulls') ?? []),
            $frame,
        );
    }

    private static function confirmation(?DocumentNode $node): ?Confirmation
    {
        return $node === null ? null : new Confirmation($node->get('by')->string(), $node->get('on')->string());
    }

    /** Checks one by one win over a word for all of them. */
    private static function healthy(DocumentNode $node): bool
    {
        if (! $node->has('checks')) {
            return $node->maybe('healthy')?->bool() ?? false;
        }
        $needed = array_filter(HealthCheck::cases(), fn (HealthCheck $check): bool => $check->isNeeded());
        $good = self::checked($node, 'good');

        return self::checked($node, 'bad') === [] && array_filter($needed, fn (HealthCheck $check): bool => ! in_array($check, $good, true)) === [];
    }

    /** @return list<HealthCheck> those that came out so */
    private static function checked(DocumentNode $node, string $outcome): array
    {
        return array_values(array_filter(
            HealthCheck::cases(),
            fn (HealthCheck $check): bool => $node->maybe('checks')?->maybe($check->value)?->keyword('good', 'bad') === $outcome,
        ));
    }

    private function budget(?DocumentNode $node): Budget
    {
        $total = $node?->maybe('total')?->minor($this->shop->currency);
        $now = $node?->maybe('now')?->minor($this->shop->currency);
        if ($node !== null && $total !== null && $now !== null && $now > $total) {
            $node->refuse("{$node->get('now')->number()} now is more than {$node->get('total')->number()} in all: lower the one or raise the other.");
        }

        return new Budget($total, $now, $node?->maybe('monthly')?->minor($this->shop->currency));
    }

    /** @return array{float, float} rpm; where nothing is asked, from full torque to peak power */
    private function usedSpeeds(?DocumentNode $node): array
    {
        if ($node === null) {
            return [$this->platform->baseline->fullTorqueFrom(), $this->platform->baseline->peakPower()->rpm];
        }
        $from = $node->get('from')->number();
        $to = $this->speed($node->get('to'));
        $from < $to || $node->refuse("{$from} rpm is not below {$to} rpm: give the lower one first.");

        return [$from, $to];
    }

    /** An engine speed at which something can be asked of this engine. */
    private function speed(DocumentNode $node): float
    {
        return $node->within($this->platform->baseline->first, $this->platform->highestSpeed(), 'rpm is no speed of this engine at full load');
    }

    /** @return list<string> */
    private function unknown(DocumentNode $node): array
    {
        return array_map(fn (DocumentNode $slot): string => $slot->keyword(...array_keys($this->platform->slots)), $node->each('unknown'));
    }

    private function target(?DocumentNode $node, Car $car): ?Target
    {
        return match (true) {
            $node === null => null,
            $node->has('power') => Target::power($node->get('power')->number() * $this->units->power->watts()),
            $node->has('torque') => Target::torque(
                $node->get('torque')->number() * $this->units->torque->newtonMetres(),
                $this->speed($node->get('at_rpm')),
            ),
            $node->has('quarter_mile') => $this->time($node->get('quarter_mile'), $car),
            default => null,
        };
    }

    private function time(DocumentNode $node, Car $car): Target
    {
        $seconds = $node->number();
        $mass = $car->mass ?? $node->refuse('neither the platform nor the car states a mass, so a time asks for no power: say what the car weighs, or ask for a power instead.');
        $seconds >= 5.0 && $seconds <= 40.0 || $node->refuse("{$seconds} s is no time over a quarter mile: give 5 to 40.");

        return Target::time(new QuarterMileTime($seconds, $mass, $car->lossShare()));
    }
}
