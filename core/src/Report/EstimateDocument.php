<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\AdvisedFinding;
use Pebblerun\Core\Advice\FindingAdvisor;
use Pebblerun\Core\Advice\Message;
use Pebblerun\Core\Advice\Verdict;
use Pebblerun\Core\Advice\VerdictLine;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\PartShare;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Brief\Target;
use Pebblerun\Core\Math\Curve;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Report\Words\FindingWords;
use Pebblerun\Core\Report\Words\GainWords;
use Pebblerun\Core\Report\Words\VerdictWords;
use Pebblerun\Core\Units\Numerals;
use Pebblerun\Core\Units\UnitSystem;

/** Writes an estimate as the open document: figures in the reader's units, codes, and sentences ready to print. */
final readonly class EstimateDocument
{
    public const FORMAT = 'pebblerun/estimate';

    public const VERSION = 2;

    private GainWords $gains;

    private FindingWords $findings;

    private VerdictWords $verdict;

    private LimitDocument $limits;

    private MoneyDocument $money;

    private StageNotes $notes;

    /** @var list<list<AdvisedFinding>> as received, then the stages */
    private array $advised;

    private function __construct(private Estimate $estimate, private UnitFormatter $say)
    {
        $catalog = $estimate->bundle->catalog;
        $this->gains = new GainWords($say, $catalog);
        $this->findings = new FindingWords($catalog);
        $this->verdict = new VerdictWords($catalog, $say);
        $this->limits = new LimitDocument($estimate->bundle, $say);
        $this->money = new MoneyDocument($estimate, $say);
        $this->notes = new StageNotes($catalog->platform, $say);
        $this->advised = FindingAdvisor::ofPlan($estimate);
    }

    /** @return array<string, mixed> valid against schemas/estimate.json */
    public static function of(Estimate $estimate, UnitSystem $units, Numerals $numerals = Numerals::Comma): array
    {
        return (new self($estimate, UnitFormatter::for($estimate->bundle, $units, $numerals)))->write();
    }

    /** @return array<string, mixed> */
    private function write(): array
    {
        $brief = $this->estimate->bundle->brief;
        $first = $this->estimate->results[0]->likely;
        $maybe = fn (?int $minor): ?float => $minor === null ? null : $this->say->money($minor);

        return [
            'format' => self::FORMAT,
            'version' => self::VERSION,
            'units' => $this->say->units->toArray(),
            'labels' => ['power' => $this->say->powerLabel(), 'torque' => $this->say->torqueLabel(), 'money' => $this->say->symbol()],
            'grid' => ['first' => $first->first, 'step' => Curve::STEP],
            'target' => $this->target($brief->target),
            'budget' => ['total' => $maybe($brief->budget->total), 'now' => $maybe($brief->budget->now), 'monthly' => $maybe($brief->budget->monthly)],
            'rpm_range' => ['from' => $brief->rpmRange[0], 'to' => $brief->rpmRange[1]],
            'settings' => $this->settings(),
            'measured' => $brief->received->allowsChances(),
            'sketched' => $first->sketched,
            'knee' => $this->knee(),
            'verdict' => array_map($this->line(...), (new Verdict($this->estimate))->lines()),
            'stages' => array_map($this->stage(...), array_keys($this->estimate->results), $this->estimate->results),
            'lanes' => (new BoardDocument($this->estimate, $this->advised, $this->say))->lanes(),
            'promise' => Terms::PROMISE,
        ];
    }

    /** @return array{power: ?float, torque: ?float, at_rpm: ?float} */
    private function target(?Target $target): array
    {
        return [
            'power' => $target?->power === null ? null : $this->say->power($target->power),
            'torque' => $target?->torque === null ? null : $this->say->torque($target->torque),
            'at_rpm' => $target?->atRpm,
        ];
    }

    /** @return array{stacking: string, loss: string, price_basis: string, sentence: string} */
    private function settings(): array
    {
        $settings = $this->estimate->bundle->plan->settings;
        $share = sprintf('%.0f %%', 100 * $this->estimate->bundle->brief->car->lossShare());
        $crank = $settings->constantLoss
            ? "a constant loss that is {$share} at the stock car’s peak"
            : "a loss of {$share} between crank and wheels";

        return [
            'stacking' => $settings->stacking->value,
            'loss' => $settings->constantLoss ? 'constant' : 'percentage',
            'price_basis' => $settings->priceBasis->value,
            'sentence' => 'Gains '.Terms::stacking($settings->stacking).", {$crank}, prices ".Terms::priceBasis($settings->priceBasis).'.',
        ];
    }

    /** @return ?array{stage: int, sentence: string} */
    private function knee(): ?array
    {
        $stage = $this->estimate->knee();
        if ($stage === null) {
            return null;
        }
        $each = $this->say->sayMoney((int) round($this->estimate->costPerWatt($stage + 1) * $this->say->units->power->watts()));

        return ['stage' => $stage, 'sentence' => "knee: the next stage costs {$each} per {$this->say->powerLabel()}"];
    }

    /** @return array<string, mixed> */
    private function line(VerdictLine $line): array
    {
        return [
            'subject' => $line->subject->value,
            'status' => $line->status->value,
            'codes' => ['headline' => $line->headline->code->value, 'detail' => $line->detail?->code->value],
            'headline' => $this->verdict->of($line->headline),
            'detail' => $line->detail === null ? '' : $this->verdict->of($line->detail),
            'reasons' => array_map(fn (Message $reason): array => ['code' => $reason->code->value, 'sentence' => $this->verdict->of($reason)], $line->reasons),
        ];
    }

    /** @return array<string, mixed> */
    private function stage(int $i, StageResult $result): array
    {
        $before = $this->estimate->results[$i - 1] ?? null;
        $state = $result->state;
        $fuel = $state->build->fuel;
        $weakest = $result->weakest();
        $limits = array_map(fn (LimitReading $reading): array => $this->limits->reading($reading, $result), $result->readings);

        return [
            'index' => $i,
            'key' => $state->stage->key ?? 'received',
            'name' => $state->stage->name ?? '',
            'fuel' => ['key' => $fuel->key, 'name' => $fuel->name, 'changed' => $before !== null && $fuel !== $before->state->build->fuel],
            'map' => $state->build->map()?->name,
            'status' => self::worst($weakest, $result->findings)->value,
            'parts_bought' => count($state->bought),
            ...$this->figures($result, $before),
            'money' => $this->money->stage($i),
            'weakest' => $weakest === null ? null : $limits[(int) array_search($weakest, $result->readings, true)],
            'limits' => $limits,
            'ceilings' => array_map($this->ceiling(...), $result->ceilings),
            'parts' => array_map(fn (PartShare $share): array => $this->share($share, $state), $result->shares),
            'findings' => array_map(fn (AdvisedFinding $advised): array => $this->finding($advised, $state), $this->advised[$i]),
            'regions' => $this->limits->regions($result),
            'torque_loss' => $this->notes->torqueLoss($this->estimate->torqueLoss($i)),
            'mass' => $this->notes->mass($state->build),
            'gated' => $state->build->gating() !== [],
            'soak' => $this->notes->soak($result->soak, $result->power->p50),
            'cautions' => self::cautions($state),
        ];
    }

    /** @return array<string, mixed> */
    private function figures(StageResult $result, ?StageResult $before): array
    {
        $brief = $this->estimate->bundle->brief;
        $power = $result->likely->peakPower();
        $torque = $result->likely->peakTorque();

        return [
            'power' => [...self::spread($result->power, $this->say->power(...)), 'likely' => $this->say->power($power->value), 'rpm' => $power->rpm, 'plain_sum' => $this->say->power($result->plainSum)],
            'torque' => [...self::spread($result->torque, $this->say->torque(...)), 'likely' => $this->say->torque($torque->value), 'rpm' => $torque->rpm],
            'added' => $before === null ? 0.0 : $this->say->power($result->power->p50 - $before->power->p50),
            'chance' => $brief->target?->power === null || ! $brief->received->allowsChances() ? null : round((float) $result->power->chance, UnitFormatter::PRECISION),
            'used_gain_percent' => round(100 * $result->usedGain, UnitFormatter::PRECISION),
            'curve' => [
                'torque' => array_map(fn (float $value): float => $this->say->torque($value, 1), $result->likely->torque),
                'power' => array_map(fn (float $value): float => $this->say->power($value, 1), $result->likely->power()),
            ],
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
    private static function spread(Percentiles $percentiles, callable $in): array
    {
        return ['p10' => $in($percentiles->p10), 'p50' => $in($percentiles->p50), 'p90' => $in($percentiles->p90)];
    }

    /** @return array<string, mixed> */
    private function ceiling(CeilingCost $cost): array
    {
        return [
            'key' => $cost->ceiling->key,
            'name' => $cost->ceiling->name,
            'power' => $this->say->power($cost->power),
            'torque' => $this->say->torque($cost->torque),
            'sentence' => (new Words\CeilingWords($this->say))->of($cost),
        ];
    }

    /** @return array<string, mixed> */
    private function share(PartShare $share, StageState $state): array
    {
        $supports = $share->part->isSupporting();

        return [
            'part' => $share->part->key,
            'name' => $share->part->name,
            'maker' => $share->part->maker,
            'slots' => $share->part->slots,
            'since' => $share->since,
            'adds' => $supports ? null : $this->say->power($share->adds),
            'adds_torque' => $supports ? null : $this->say->torque($share->addsTorque),
            'lost' => $supports ? null : $this->say->power($share->lost),
            'covered' => $share->gain->covered ?? true,
            'why' => $this->gains->of($share, $state->build),
        ];
    }

    /** @return array<string, mixed> */
    private function finding(AdvisedFinding $advised, StageState $state): array
    {
        $finding = $advised->finding;

        return [
            'kind' => $finding->kind->value,
            'id' => $finding->id,
            'fault' => $finding->kind->isFault(),
            'part' => $finding->part->key,
            'slot' => $advised->slot,
            'sentence' => $this->findings->of($finding, $state->build),
            'fixes' => array_map(fn (array $way): array => [
                'name' => Words\Listing::join(array_map(fn ($part): string => $part->name, $way), 'and'),
                'parts' => array_map(fn ($part): string => $part->key, $way),
            ], $advised->fixes),
            'fuels' => array_map(fn ($fuel): string => $fuel->name, $advised->fuels),
        ];
    }

    /** @return list<array{code: string, sentence: string}> the cautions of what this stage fits, each once */
    private static function cautions(StageState $state): array
    {
        $cautions = [];
        foreach ($state->bought as $purchase) {
            foreach ($purchase->part->cautions as $caution) {
                $cautions[$caution->value] = ['code' => $caution->value, 'sentence' => Terms::caution($caution)];
            }
        }

        return array_values($cautions);
    }
}
