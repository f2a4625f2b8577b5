<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Advice\VerdictLine;
use Pebblerun\Core\Catalog\Parts\Caution;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\Money\Line;
use Pebblerun\Core\Evaluation\Money\StageCost;
use Pebblerun\Core\Evaluation\PartShare;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Report\Words\GainWords;
use Pebblerun\Core\Report\Words\Listing;
use Pebblerun\Core\Units\MoneyRange;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\UnitSystem;

/** Writes an estimate as the open document: figures in the reader's units, sentences ready to print. */
final readonly class EstimateDocument
{
    public const FORMAT = 'pebblerun/estimate';

    private UnitFormatter $say;

    private GainWords $why;

    private LimitDocument $limits;

    private StageNotes $notes;

    private function __construct(private Estimate $estimate, UnitSystem $units, Numerals $numerals)
    {
        $this->say = new UnitFormatter($units, $estimate->bundle->rates->currency, $numerals);
        $this->why = new GainWords($this->say, $estimate->bundle->catalog->platform);
        $this->limits = new LimitDocument($estimate->bundle, $this->say);
        $this->notes = new StageNotes($estimate->bundle->catalog->platform, $this->say);
    }

    /** @return array<string, mixed> valid against schemas/estimate.json */
    public static function of(Estimate $estimate, UnitSystem $units, Numerals $numerals = Numerals::Comma): array
    {
        return (new self($estimate, $units, $numerals))->write();
    }

    /** @return array<string, mixed> */
    private function write(): array
    {
        $brief = $this->estimate->bundle->brief;
        $knee = $this->estimate->knee();
        $first = $this->estimate->results[0]->likely;

        return [
            'format' => self::FORMAT,
            'version' => 1,
            'units' => $this->say->units->toArray(),
            'labels' => ['power' => $this->say->powerLabel(), 'torque' => $this->say->torqueLabel(), 'money' => $this->say->symbol()],
            'grid' => ['first' => $first->first, 'step' => Curve::STEP],
            'target' => [
                'power' => $brief->target?->power === null ? null : $this->say->power($brief->target->power),
                'torque' => $brief->target?->torque === null ? null : $this->say->torque($brief->target->torque),
                'at_rpm' => $brief->target?->atRpm,
            ],
            'budget' => ['total' => self::major($brief->budget->total), 'now' => self::major($brief->budget->now), 'monthly' => self::major($brief->budget->monthly)],
            'rpm_range' => ['from' => $brief->range[0], 'to' => $brief->range[1]],
            'reckoned' => $this->reckoned(),
            'measured' => $brief->came->allowsChances(),
            'sketched' => $first->sketched,
            'knee' => $knee === null ? null : ['stage' => $knee, 'sentence' => $this->knee($knee)],
            'verdict' => array_map(fn (VerdictLine $sentence): array => [
                'subject' => $sentence->subject,
                'status' => $sentence->status->value,
                'headline' => $sentence->headline,
                'detail' => $sentence->detail,
                'reasons' => $sentence->reasons,
            ], (new Verdict($this->estimate, $this->say))->sentences()),
            'stages' => array_map($this->stage(...), $this->estimate->results, $this->estimate->costs, $this->estimate->findings),
            'lanes' => (new BoardDocument($this->estimate, $this->say))->lanes(),
            'promise' => Caution::promise(),
        ];
    }

    /** @return array{stacking: string, loss: string, price_basis: string, sentence: string} by which school */
    private function reckoned(): array
    {
        $plan = $this->estimate->bundle->plan;
        $loss = $plan->constantLoss ? 'constant' : 'percentage';
        $share = sprintf('%.0f %%', 100 * $this->estimate->bundle->brief->car->lossShare());
        $crank = $plan->constantLoss
            ? "a constant loss that is {$share} at the stock car’s peak"
            : "a loss of {$share} between crank and wheels";

        return [
            'stacking' => $plan->stacking->value,
            'loss' => $loss,
            'price_basis' => $plan->basis->value,
            'sentence' => "Gains {$plan->stacking->words()}, {$crank}, prices {$plan->basis->value}.",
        ];
    }

    private function knee(int $stage): string
    {
        $next = $this->estimate->costPerWatt($stage + 1);
        $each = $this->say->sayMoney((int) round($next * $this->say->units->power->watts()));

        return "the knee: past here {$each} a {$this->say->powerLabel()}";
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, mixed>
     */
    private function stage(StageResult $result, StageCost $cost, array $findings): array
    {
        $state = $result->model->state;
        $i = $state->index;
        $before = $this->estimate->results[$i - 1] ?? null;
        $target = $this->estimate->bundle->brief->target;
        $weakest = $result->weakest();
        $limits = array_map(fn (LimitReading $reading): array => $this->limits->reading($reading, $result), $result->readings);
        $perWatt = $this->estimate->costPerWatt($i);
        $chance = $target?->power === null || ! $this->estimate->bundle->brief->came->allowsChances() ? null : round((float) $result->power->chance, 3);
        $peakPower = $result->likely->peakPower();
        $peakTorque = $result->likely->peakTorque();

        return [
            'index' => $i,
            'key' => $state->stage->key ?? 'came',
            'name' => $state->stage->name ?? '',
            'fuel' => ['key' => $state->fuel->key, 'name' => $state->fuel->name, 'changed' => $before !== null && $state->fuel !== $before->model->state->fuel],
            'map' => $state->map()?->name,
            'status' => self::worst($weakest, $findings)->value,
            'parts_bought' => count($state->bought),
            'power' => [...$this->spread($result->power, $this->say->power(...)), 'likely' => $this->say->power($peakPower->value), 'rpm' => $peakPower->rpm, 'plain_sum' => $this->say->power($result->plainSum)],
            'torque' => [...$this->spread($result->torque, $this->say->torque(...)), 'likely' => $this->say->torque($peakTorque->value), 'rpm' => $peakTorque->rpm],
            'added' => $before === null ? 0.0 : $this->say->power($result->power->p50 - $before->power->p50),
            'chance' => $chance,
            'used_gain_percent' => round(100 * $result->usedGain, 1),
            'curve' => [
                'torque' => array_map($this->say->torque(...), $result->likely->torque),
                'power' => array_map($this->say->power(...), $result->likely->power()),
            ],
            'money' => $this->money($cost, $perWatt),
            'weakest' => $weakest === null ? null : $limits[(int) array_search($weakest, $result->readings, true)],
            'limits' => $limits,
            'ceilings' => array_map($this->binding(...), $result->bindings),
            'parts' => array_map(fn (PartShare $share): array => $this->share($share, $state), $result->shares),
            'findings' => array_map($this->finding(...), $findings),
            'regions' => $this->limits->regions($result),
            'trade' => $this->notes->trade($this->estimate->trade($i)),
            'mass' => $this->notes->mass($state),
            'gated' => $result->gating() !== [],
            'soak' => $this->notes->soak($result->soak, $result->power->p50),
            'cautions' => $this->cautions($state),
        ];
    }

    /** @param  list<Finding>  $findings */
    private static function worst(?LimitReading $weakest, array $findings): Status
    {
        $status = $weakest->status ?? Status::Clear;
        $fault = array_filter($findings, fn (Finding $finding): bool => $finding->kind->isFault()) !== [];

        return $fault && $status->severity() < Status::Over->severity() ? Status::Over : $status;
    }

    /**
     * @param  callable(float): float  $in
     * @return array{p10: float, p50: float, p90: float}
     */
    private function spread(Percentiles $percentiles, callable $in): array
    {
        return ['p10' => $in($percentiles->p10), 'p50' => $in($percentiles->p50), 'p90' => $in($percentiles->p90)];
    }

    /** @return array<string, mixed> */
    private function money(StageCost $cost, ?float $perWatt): array
    {
        return [
            'spend' => self::moneyRange($cost->spend),
            'cumulative' => self::moneyRange($cost->cumulative),
            'net' => self::moneyRange($cost->net),
            'tax' => self::moneyRange($cost->tax),
            'reserve' => self::moneyRange($cost->reserve),
            'hours' => $cost->hours / 100,
            'resale' => $cost->resale / 100,
            'per_power' => $perWatt === null ? null : round($perWatt * $this->say->units->power->watts() / 100, 1),
            'lines' => array_map(fn (Line $line): array => [
                'part' => $line->part->key,
                'name' => $line->part->name,
                'basis' => $line->agreed ? 'agreed' : $line->basis->value,
                'quantity' => $line->quantity,
                'bought' => $line->bought,
                'goods' => self::moneyRange($line->goods),
                'hours' => $line->hours / 100,
                'labour' => $line->labour / 100,
                'dyno' => $line->dyno / 100,
                'gross' => self::moneyRange($line->gross),
            ], $cost->lines),
        ];
    }

    /** @return array<string, mixed> */
    private function binding(CeilingCost $binding): array
    {
        return [
            'name' => $binding->ceiling->name,
            'power' => $this->say->power($binding->power),
            'torque' => $this->say->torque($binding->torque),
            'sentence' => ucfirst($binding->ceiling->name).": {$this->say->sayPower($binding->power)} off the peak, {$this->say->sayTorque($binding->torque)} off the torque.",
        ];
    }

    /** @return array<string, mixed> */
    private function share(PartShare $share, StageState $state): array
    {
        $part = $share->mounted->part;

        return [
            'part' => $part->key,
            'name' => $part->name,
            'maker' => $part->maker,
            'slots' => $part->slots,
            'since' => $share->mounted->since,
            'adds' => $part->isSupporting() ? null : $this->say->power($share->adds),
            'adds_torque' => $part->isSupporting() ? null : $this->say->torque($share->addsTorque),
            'lost' => $part->isSupporting() ? null : $this->say->power($share->lost),
            'covered' => $share->gain->covered ?? true,
            'why' => $this->why->of($share, $state),
        ];
    }

    /** @return array<string, mixed> */
    private function finding(Finding $finding): array
    {
        return [
            'kind' => $finding->kind->value,
            'fault' => $finding->kind->isFault(),
            'part' => $finding->part->key,
            'slot' => $finding->slot,
            'sentence' => $finding->sentence,
            'fixes' => array_map(fn (array $way): array => [
                'name' => Listing::join(array_map(fn (Part $part): string => $part->name, $way), 'and'),
                'parts' => array_map(fn (Part $part): string => $part->key, $way),
            ], $finding->fixes),
            'fuels' => $finding->fuels,
        ];
    }

    /** @return list<string> the cautions of what this stage fits, each once */
    private function cautions(StageState $state): array
    {
        $texts = [];
        foreach ($state->bought as [$part]) {
            foreach ($part->cautions as $caution) {
                $texts[$caution->value] = $caution->text();
            }
        }

        return array_values($texts);
    }

    /** @return array{low: float, likely: float, high: float} */
    private static function moneyRange(MoneyRange $range): array
    {
        return ['low' => $range->low / 100, 'likely' => $range->likely / 100, 'high' => $range->high / 100];
    }

    private static function major(?int $minor): ?float
    {
        return $minor === null ? null : $minor / 100;
    }
}
