<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Mover;
use Pebblerun\Core\Advice\Movers;
use Pebblerun\Core\Advice\Offer;
use Pebblerun\Core\Catalog\Limits\Limit;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Physics\Driveline\Loss;
use Pebblerun\Core\Report\Words\LimitWords;
use Pebblerun\Core\Units\Rpm;

/** Writes a stage's limits: where each stands, what would move it, and what it forbids on the curves. */
final readonly class LimitDocument
{
    /** Crank limits bend when they are brought to the wheels; they are written at every 500 rpm. */
    private const STEP = 500.0;

    private Movers $movers;

    /** @var non-empty-list<Loss> */
    private array $losses;

    private float $shoulder;

    private LimitWords $words;

    public function __construct(PlannedStages $planned, private UnitFormatter $say)
    {
        $bundle = $planned->bundle;
        $this->words = new LimitWords($say);
        $baseline = $bundle->catalog->platform->baseline;
        $this->movers = new Movers($planned, new Offer($bundle->brief, $planned->evaluator));
        $this->losses = Loss::both($bundle->brief->car->lossShare(), $baseline);
        $this->shoulder = $baseline->torqueShoulder();
    }

    /** @return array{key: string, name: string, status: string, percents: ?string, median_percent: ?float, used_percent: ?float, sentence: string} where it stands */
    public function glance(LimitReading $reading): array
    {
        return [
            'key' => $reading->limit->key,
            'name' => $reading->limit->name,
            'status' => $reading->status->value,
            'percents' => $reading->used === null ? null : LimitWords::percents($reading, $this->say->numerals),
            'median_percent' => self::percent($reading->median),
            'used_percent' => self::percent($reading->used),
            'sentence' => $this->words->of($reading),
        ];
    }

    /** @return array<string, mixed> */
    public function reading(LimitReading $reading, StageResult $result): array
    {
        $quantity = $reading->limit->quantity;

        return [
            'key' => $reading->limit->key,
            'name' => $reading->limit->name,
            'slot' => $reading->limit->slot,
            'quantity' => $quantity->value,
            'unit' => $this->say->limitLabel($quantity),
            'status' => $reading->status->value,
            'words' => Terms::status($reading->status),
            'percents' => $reading->used === null ? null : LimitWords::percents($reading, $this->say->numerals),
            'median_percent' => self::percent($reading->median),
            'used_percent' => self::percent($reading->used),
            'edge_percent' => round(100 * $reading->edgeShare, UnitFormatter::PRECISION),
            'demand' => $reading->used === null ? null : $this->say->limit($quantity, $reading->demand),
            'safe' => $this->say->limit($quantity, $reading->safe),
            'edge' => $this->say->limit($quantity, $reading->edge),
            'rpm' => $reading->rpm,
            'hot' => $reading->hot,
            'accepted' => $reading->accepted === null ? null : ['by' => $reading->accepted->by, 'on' => $reading->accepted->on, 'reason' => $reading->accepted->reason],
            'sentence' => $this->words->of($reading),
            'consequence' => $reading->limit->consequence,
            'evidence' => trim(Terms::evidence($reading->limit->evidence).($reading->limit->note === '' ? '' : ": {$reading->limit->note}")),
            'movers' => $this->moversOf($reading, $result),
        ];
    }

    private static function percent(?float $share): ?float
    {
        return $share === null ? null : round(100 * $share, UnitFormatter::PRECISION);
    }

    /** @return list<array{kind: string, part: ?string, name: string, price: ?float, sentence: string}> */
    private function moversOf(LimitReading $reading, StageResult $result): array
    {
        $movers = $this->movers->of($reading, $result->model, $result->state);
        $written = array_map(fn (Mover $mover): array => $this->mover($mover, $reading->limit), $movers);

        return $reading->excess() > 0.0 ? [...$written, $this->shed($reading)] : $written;
    }

    /** @return array{kind: string, part: ?string, name: string, price: ?float, sentence: string} */
    private function mover(Mover $mover, Limit $limit): array
    {
        $safe = $mover->safe === null ? '' : $this->say->sayLimit($limit->quantity, $mover->safe);
        $entry = fn (string $kind, string $name, string $sentence, ?float $price = null): array => [
            'kind' => $kind, 'part' => $mover->part?->key, 'name' => $name, 'price' => $price, 'sentence' => $sentence,
        ];

        return match (true) {
            $mover->part !== null => $entry(
                'part', $mover->part->name,
                $limit->quantity === Quantity::ChargeTemperature
                    ? "{$mover->part->name}: fifth pull down to {$safe}."
                    : "{$mover->part->name}: safe to {$safe}.",
                $this->say->money($mover->costs),
            ),
            $mover->map !== null => $entry('map', Terms::mapKind($mover->map), ucfirst(Terms::mapKind($mover->map)." moves it to {$safe}.")),
            default => $entry('fuel', (string) $mover->fuel?->name, sprintf('On %s the same power asks %d %% less flow.', $mover->fuel?->name, round(100 * (1.0 - (float) $mover->share)))),
        };
    }

    /** @return array{kind: string, part: null, name: string, price: null, sentence: string} */
    private function shed(LimitReading $reading): array
    {
        $quantity = $reading->limit->quantity;
        $less = $quantity->isTemperature()
            ? $this->say->numerals->write($reading->excess() / $this->say->units->temperature->kelvins())." °{$this->say->units->temperature->value}"
            : $this->say->sayLimit($quantity, $reading->excess());
        $near = $this->say->sayRpm($reading->rpm);
        $back = 'brings it back to safe';
        $sentence = match ($quantity->traits()->less) {
            'torque' => "{$less} less near {$near} {$back}: {$this->milder($reading->rpm)}.",
            'limiter' => "A limiter {$less} lower {$back}.",
            'boost' => "{$less} less boost {$back}.",
            'mixture' => "{$less} more air for the fuel near {$near} {$back}: less fuel there, or more air.",
            'top' => "{$less} less {$back}: less power at the top.",
            'octane' => "{$less} less asked near {$near} {$back}: less boost, cooler charge, or a fuel with more octane.",
            'flow' => "{$less} less flow near {$near} {$back}: less power there.",
            'heat' => "{$less} less {$back}: less boost, or shorter pulls.",
            default => "{$less} less {$back}.",
        };

        return ['kind' => 'shed', 'part' => null, 'name' => "{$less} less", 'price' => null, 'sentence' => $sentence];
    }

    private function milder(float $rpm): string
    {
        return $rpm <= $this->shoulder ? 'a softer ramp there' : 'less torque up there';
    }

    /**
     * What the limits of power and torque forbid on the wheel curves, the most used first; crank limits under the worse loss.
     *
     * @return list<array<string, mixed>>
     */
    public function regions(StageResult $result): array
    {
        return array_map(fn (LimitReading $reading): array => $this->region($reading, $result), $this->drawn($result));
    }

    /** @return list<LimitReading> of power and torque, the most used first */
    private function drawn(StageResult $result): array
    {
        $readings = array_filter($result->readings, fn (LimitReading $reading): bool => $reading->limit->quantity->isTorque() || $reading->limit->quantity->isPower());
        usort($readings, fn (LimitReading $a, LimitReading $b): int => $b->used <=> $a->used);

        return $readings;
    }

    /** @return array<string, mixed> */
    private function region(LimitReading $reading, StageResult $result): array
    {
        $limit = $reading->limit;
        $rpms = $limit->quantity->isCrank()
            ? range($result->likely->first, $result->likely->last(), self::STEP)
            : array_column($limit->points, 0);

        return [
            ...$this->named($reading),
            'points' => array_map(fn (float $rpm): array => ['rpm' => $rpm, ...$this->borne($limit, $rpm, $result)], $rpms),
        ];
    }

    /**
     * The same at every one of some speeds.
     *
     * @param  list<float>  $rpms
     * @return list<array<string, mixed>>
     */
    public function along(StageResult $result, array $rpms): array
    {
        return array_map(function (LimitReading $reading) use ($result, $rpms): array {
            $borne = array_map(fn (float $rpm): array => $this->borne($reading->limit, $rpm, $result), $rpms);

            return [...$this->named($reading), 'percents' => LimitWords::percents($reading, $this->say->numerals), 'safe' => array_column($borne, 'safe'), 'edge' => array_column($borne, 'edge')];
        }, $this->drawn($result));
    }

    /** @return array{key: string, name: string, on: string, status: string} */
    private function named(LimitReading $reading): array
    {
        return [
            'key' => $reading->limit->key,
            'name' => $reading->limit->name,
            'on' => $reading->limit->quantity->isTorque() ? 'torque' : 'power',
            'status' => $reading->status->value,
        ];
    }

    /** @return array{safe: float, edge: float} at the wheels */
    private function borne(Limit $limit, float $rpm, StageResult $result): array
    {
        $moved = $limit->movedBy($result->model->build->situation->mapKind());
        $say = function (float $value) use ($limit, $moved, $rpm): float {
            $atWheels = $this->atWheels($limit->quantity, $value * $moved, $rpm);

            return $limit->quantity->isTorque() ? $this->say->torque($atWheels) : $this->say->power($atWheels);
        };

        return ['safe' => $say($limit->safeAt($rpm)), 'edge' => $say($limit->edgeAt($rpm))];
    }

    private function atWheels(Quantity $quantity, float $value, float $rpm): float
    {
        if (! $quantity->isCrank()) {
            return $value;
        }
        $omega = $quantity->isPower() ? $rpm * Rpm::OMEGA : 1.0;

        return min(array_map(fn (Loss $loss): float => $loss->toWheels($value / $omega) * $omega, $this->losses));
    }
}
