<?php

namespace Pebblerun\Core\Report;

use Pebblerun\Core\Advice\AdvisedFinding;
use Pebblerun\Core\Advice\BreakingRisk;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Evaluation\Limits\Status;
use Pebblerun\Core\Evaluation\PartShare;
use Pebblerun\Core\Evaluation\StageResult;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Brief\Risk;
use Pebblerun\Core\Math\Percentiles;
use Pebblerun\Core\Report\Words\BreakingWords;
use Pebblerun\Core\Report\Words\FindingWords;
use Pebblerun\Core\Report\Words\GainWords;
use Pebblerun\Core\Report\Words\LimitWords;

/** Writes a stage: its figures, and what is read when it is opened. Stages are counted from 0, as received. */
final readonly class StageDocument
{
    private GainWords $gains;

    private FindingWords $findings;

    private LimitDocument $limits;

    private MoneyDocument $money;

    private StageNotes $notes;

    /** @param  list<list<AdvisedFinding>>  $advised  as received, then the stages */
    public function __construct(private Estimate $estimate, private UnitFormatter $say, private array $advised)
    {
        $catalog = $estimate->bundle->catalog;
        $this->gains = new GainWords($say, $catalog);
        $this->findings = new FindingWords($catalog);
        $this->limits = new LimitDocument($estimate->planned, $say);
        $this->money = new MoneyDocument($estimate, $say);
        $this->notes = new StageNotes($catalog->platform, $say);
    }

    /** @return array<string, mixed> the whole stage, as the open format has it */
    public function whole(int $i): array
    {
        $result = $this->estimate->results[$i];
        $limits = $this->limits($i);
        $weakest = $result->weakest();

        return [
            ...$this->figures($i),
            'curve' => $this->curve($result->likely->torque, $result->likely->power()),
            'money' => $this->money->stage($i),
            'weakest' => $weakest === null ? null : $limits[(int) array_search($weakest, $result->readings, true)],
            'limits' => $limits,
            'parts' => array_map(fn (PartShare $share): array => $this->share($share, $i), $result->shares),
            'findings' => $this->findings($i),
            'regions' => $this->limits->regions($result),
            ...$this->notes($i),
        ];
    }

    /** @return array<string, mixed> what the bench shows of it at once */
    public function glance(int $i): array
    {
        $result = $this->estimate->results[$i];
        $weakest = $result->weakest();

        return [
            ...$this->figures($i),
            'curve' => CurvesDocument::thin($result->likely, $this->say),
            'money' => $this->money->glance($i),
            'weakest' => $weakest === null ? null : $this->limits->glance($weakest),
            'regions' => $this->limits->regions($result),
            'torque_loss' => $this->notes->torqueLoss($this->estimate->torqueLoss($i)),
        ];
    }

    /** @return array<string, mixed> what is read when it is opened */
    public function opened(int $i): array
    {
        return ['money' => $this->money->stage($i), 'limits' => $this->limits($i), ...$this->notes($i)];
    }

    /** @return list<array<string, mixed>> */
    public function findings(int $i): array
    {
        return array_map(fn (AdvisedFinding $advised): array => $this->finding($advised, $this->estimate->results[$i]->state), $this->advised[$i]);
    }

    /** @return ?array<string, mixed> what the part in a slot adds there, and why; null where none stands */
    public function shareOf(string $slot, int $i): ?array
    {
        $result = $this->estimate->results[$i];
        foreach ($result->shares as $share) {
            if (in_array($slot, $share->part->slots, true)) {
                return $this->share($share, $i);
            }
        }

        return null;
    }

    /** @return list<array<string, mixed>> */
    private function limits(int $i): array
    {
        $result = $this->estimate->results[$i];

        return array_map(fn (LimitReading $reading): array => $this->limits->reading($reading, $result), $result->readings);
    }

    /** @return array<string, mixed> */
    private function figures(int $i): array
    {
        $result = $this->estimate->results[$i];
        $before = $this->estimate->results[$i - 1] ?? null;
        $state = $result->state;
        $fuel = $state->build->fuel;
        $brief = $this->estimate->bundle->brief;
        $power = $result->likely->peakPower();
        $torque = $result->likely->peakTorque();

        return [
            'index' => $i,
            'key' => $state->stage->key ?? 'received',
            'name' => $state->stage->name ?? '',
            'fuel' => ['key' => $fuel->key, 'name' => $fuel->name, 'changed' => $before !== null && $fuel !== $before->state->build->fuel],
            'map' => $state->build->map()?->name,
            'status' => self::worst($result->weakest(), $result->findings)->value,
            'parts_bought' => count($state->bought),
            'gated' => $result->isGated(),
            'power' => [...self::spread($result->power, $this->say->power(...)), 'likely' => $this->say->power($power->value), 'rpm' => $power->rpm, 'plain_sum' => $this->say->power($result->plainSum)],
            'torque' => [...self::spread($result->torque, $this->say->torque(...)), 'likely' => $this->say->torque($torque->value), 'rpm' => $torque->rpm],
            'added' => $before === null ? 0.0 : $this->say->power($result->power->p50 - $before->power->p50),
            'chance' => $brief->target?->power === null || ! $this->estimate->allowsChances() ? null : self::chance($result, $brief->risk),
            'used_gain_percent' => round(100 * $result->usedGain, UnitFormatter::PRECISION),
        ];
    }

    /** @return array{reach: float, within: float, unjudged: int, words: string} */
    private static function chance(StageResult $result, Risk $risk): array
    {
        $reach = (float) $result->power->chance;
        $within = (float) $result->chanceWithin($risk);

        return [
            'reach' => round($reach, UnitFormatter::PRECISION),
            'within' => round($within, UnitFormatter::PRECISION),
            'unjudged' => $result->unjudged(),
            'words' => LimitWords::chances($reach, $within, $result->unjudged()),
        ];
    }

    /**
     * @param  list<float>  $torque  N·m
     * @param  list<float>  $power  W
     * @return array{torque: list<float>, power: list<float>}
     */
    private function curve(array $torque, array $power): array
    {
        return [
            'torque' => array_map(fn (float $value): float => $this->say->torque($value, $this->say->curveDecimals()), $torque),
            'power' => array_map(fn (float $value): float => $this->say->power($value, $this->say->curveDecimals()), $power),
        ];
    }

    /** @return array<string, mixed> */
    private function notes(int $i): array
    {
        $result = $this->estimate->results[$i];

        return [
            'ceilings' => array_map($this->ceiling(...), $result->ceilings),
            'torque_loss' => $this->notes->torqueLoss($this->estimate->torqueLoss($i)),
            'mass' => $this->notes->mass($result->state->build),
            'soak' => $this->notes->soak($result->soak, $result->power->p50),
            'boost' => $this->notes->boost($result),
            'hold' => $this->notes->hold($result),
            'hot' => $this->notes->hot($result->hot, $result->power, $this->estimate->bundle->brief->outside),
            'cautions' => self::cautions($result->state),
            'breaking' => $i === 0 ? null : $this->breaking($result),
        ];
    }

    /** @param  list<Finding>  $findings */
    public static function worst(?LimitReading $weakest, array $findings): Status
    {
        $status = $weakest->status ?? Status::Clear;
        $fault = array_filter($findings, fn (Finding $finding): bool => $finding->kind->isFault()) !== [];

        return $fault && $status->severity() < Status::Over->severity() ? Status::Over : $status;
    }

    /**
     * @param  callable(float): float  $in
     * @return array{p10: float, p50: float, p90: float}
     */
    public static function spread(Percentiles $percentiles, callable $in): array
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
    private function share(PartShare $share, int $i): array
    {
        $state = $this->estimate->results[$i]->state;
        $supports = $share->part->isSupporting();

        return [
            'part' => $share->part->key,
            'name' => $share->part->name,
            'maker' => $share->part->maker,
            'slots' => $share->part->slots,
            'since' => $share->since,
            'adds' => $supports || $share->adds === null ? null : $this->say->power($share->adds),
            'adds_torque' => $supports || $share->addsTorque === null ? null : $this->say->torque($share->addsTorque),
            'lost' => $supports ? null : $this->say->power($share->lost),
            'covered' => $share->gain->covered ?? true,
            'why' => $this->gains->of($share, $state->build, AddedPowers::of($this->estimate, $i, $this->say)->at($share->part->slots[0])),
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
            'part' => $finding->part?->key,
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

    /** @return ?array{chance_percent: float, cost: float, sentence: string} */
    private function breaking(StageResult $result): ?array
    {
        $bundle = $this->estimate->bundle;
        $risk = BreakingRisk::of($result, $bundle);

        return $risk === null ? null : [
            'chance_percent' => round(100 * $risk->chance, UnitFormatter::PRECISION),
            'cost' => $this->say->money($risk->cost),
            'sentence' => (new BreakingWords($this->say))->of($risk, $bundle->brief->driving),
        ];
    }
}
