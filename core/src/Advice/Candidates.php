<?php

namespace Pebblerun\Core\Advice;

use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Catalog\Shop\Fuel;
use Pebblerun\Core\Evaluation\Engine\CeilingCost;
use Pebblerun\Core\Evaluation\Findings\Finding;
use Pebblerun\Core\Evaluation\Likely;
use Pebblerun\Core\Evaluation\Model\StageModel;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Evaluation\Shares;
use Pebblerun\Core\Evaluation\Timeline\StageState;
use Pebblerun\Core\Job\Plan\Change;
use Pebblerun\Core\Job\Plan\Stage;

/** Ranks what could be chosen at a stage: the parts for a slot, or the fuels. */
final readonly class Candidates
{
    /** A ceiling is named where it takes more than this share of the peak. */
    private const WORTH_NAMING = 0.005;

    private Offer $offer;

    private Completing $completing;

    public function __construct(private PlannedStages $planned)
    {
        $this->offer = new Offer($planned->bundle->brief, $planned->evaluator);
        $this->completing = new Completing($planned, $this->offer);
    }

    /**
     * @param  int  $stage  counted from 1
     * @return list<Candidate> what may be offered first, most power per money first, supporting parts by price after them
     */
    public function parts(string $slot, int $stage): array
    {
        $trial = new StageTrial($this->planned, $stage);
        $catalog = $this->planned->bundle->catalog;
        $without = $trial->stage->only(fn (Change $change): bool => $change->slot !== $slot
            && ! in_array($slot, $change->part === null ? [] : $catalog->part($change->part)->slots, true));
        $candidates = $this->against($trial, $without, array_map(
            fn (Part $part): array => [$part, $without->fitting($catalog, $part), $trial->stage->fits($part->key)],
            array_values(array_filter($catalog->forSlot($slot), fn (Part $part): bool => $part->retired === null || $trial->stage->fits($part->key))),
        ));
        usort($candidates, fn (Candidate $a, Candidate $b): int => [$a->with === null, $b->helps() / max(1, $b->costs), $a->costs] <=> [$b->with === null, $a->helps() / max(1, $a->costs), $b->costs]);

        return $candidates;
    }

    /** One part against the stage without it, and nothing beside it. */
    public function part(Part $part, int $stage): Candidate
    {
        $trial = new StageTrial($this->planned, $stage);

        return $this->against($trial, $trial->stage, [[$part, $trial->stage->fitting($this->planned->bundle->catalog, $part), false]], false)[0];
    }

    /**
     * @param  int  $stage  counted from 1
     * @return list<Candidate> the shop's fuels in its order, against the fuel of the stage before
     */
    public function fuels(int $stage): array
    {
        $trial = new StageTrial($this->planned, $stage);
        $before = $this->planned->states[$stage - 1]->build->fuel->key;

        return $this->against($trial, $trial->stage->on($before), array_values(array_map(
            fn (Fuel $fuel): array => [$fuel, $trial->stage->on($fuel->key), $fuel->key === $trial->stage->fuel],
            $this->planned->bundle->catalog->fuels,
        )));
    }

    /**
     * @param  list<array{Part|Fuel, Stage, bool}>  $choices  what is chosen, the stage with it, whether it has it now
     * @param  bool  $offers  whether it is asked what may be offered, and what makes it whole
     * @return list<Candidate>
     */
    private function against(StageTrial $trial, Stage $without, array $choices, bool $offers = true): array
    {
        $base = $trial->state($without);
        $baseModel = $trial->evaluator->model($base->build);
        $baseLikely = $trial->evaluator->likely($baseModel);
        $known = array_flip(array_map(fn (Finding $finding): string => $finding->id, $trial->evaluator->findings($base->build)));
        $spend = $trial->spend($base);
        $shares = new Shares($trial->evaluator);
        $taken = self::taken($shares, $baseModel, $baseLikely);

        $target = $this->planned->bundle->brief->target;

        return array_map(function (array $choice) use ($trial, $spend, $base, $baseLikely, $known, $shares, $taken, $target, $offers): Candidate {
            [$what, $stage, $chosen] = $choice;
            $with = $chosen || ! $offers ? [] : $this->with($trial, $what, $stage);
            $state = $trial->state($stage->fitting($this->planned->bundle->catalog, ...$with ?? []));
            $model = $trial->evaluator->model($state->build);
            $likely = $trial->evaluator->likely($model);

            return new Candidate(
                $what,
                $likely->peakPower - $baseLikely->peakPower,
                $likely->peakTorque - $baseLikely->peakTorque,
                $target?->eased($base->build->parts, $state->build->parts) ?? 0.0,
                $trial->spend($state) - $spend,
                $this->brought($state, $known),
                self::ceilings($shares, $model, $likely, $taken),
                $state->build,
                $chosen,
                $with,
            );
        }, $choices);
    }

    /** @return ?list<Part> what is fitted with it; null where it is not offered */
    private function with(StageTrial $trial, Part|Fuel $what, Stage $stage): ?array
    {
        $isAdmitted = $what instanceof Fuel ? $this->offer->admitsFuel($what) : $this->offer->admits($what, $this->planned->states[$trial->number - 1]->build->situation);

        return $isAdmitted ? $this->completing->of($trial->number, $stage) : null;
    }

    /**
     * @param  array<string, int>  $known  ids of the findings without it
     * @return list<Finding>
     */
    private function brought(StageState $state, array $known): array
    {
        return array_values(array_filter($this->planned->evaluator->findings($state->build), fn (Finding $finding): bool => ! isset($known[$finding->id])));
    }

    /** @return array<string, array{float, float}> W and N·m that each standing ceiling takes, by its key */
    private static function taken(Shares $shares, StageModel $model, Likely $likely): array
    {
        $costs = $shares->ofCeilings($model, $likely);
        $taken = [];
        foreach ($model->ceilings as $i => $ceiling) {
            $taken[$ceiling->key] = $costs[$i];
        }

        return $taken;
    }

    /**
     * @param  array<string, array{float, float}>  $before  W and N·m that each ceiling takes without it
     * @return list<CeilingCost> those that take more than before
     */
    private static function ceilings(Shares $shares, StageModel $model, Likely $likely, array $before): array
    {
        $costs = [];
        foreach ($shares->ofCeilings($model, $likely) as $i => [$watts, $newtonMetres]) {
            $ceiling = $model->ceilings[$i];
            [$wattsBefore, $newtonMetresBefore] = $before[$ceiling->key] ?? [0.0, 0.0];
            if ($watts - $wattsBefore > self::WORTH_NAMING * $likely->peakPower || $newtonMetres - $newtonMetresBefore > self::WORTH_NAMING * $likely->peakTorque) {
                $costs[] = new CeilingCost($ceiling, $watts, $newtonMetres);
            }
        }

        return $costs;
    }
}
