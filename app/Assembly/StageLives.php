<?php

namespace App\Assembly;

use App\Models\Plan;
use App\Models\StageMark;
use Pebblerun\Core\Job\Life\Lives;
use Pebblerun\Core\Job\Life\StageLife;

/** How far the stages of a plan are. */
final readonly class StageLives
{
    /**
     * @param  list<string>  $keys  of the stages, in their order
     * @param  array<string, StageMark>  $marks  the last of each stage that has one
     */
    private function __construct(private array $keys, public array $marks) {}

    /** @param  ?array<string, mixed>  $document  of the plan as it will be; null: as it is */
    public static function of(Plan $plan, ?array $document = null): self
    {
        $plan->loadMissing('marks.author');
        $document ??= $plan->document;

        return new self(array_column($document['stages'], 'key'), $plan->marks->sortBy('id')->keyBy('stage')->all());
    }

    /**
     * What was said last of each of some plans.
     *
     * @param  list<int>  $plans
     * @return array<int, StageMark> by plan
     */
    public static function latest(array $plans): array
    {
        return StageMark::query()->selectRaw('distinct on (plan_id) *')->whereIn('plan_id', $plans)->orderBy('plan_id')->orderByDesc('id')->get()->keyBy('plan_id')->all();
    }

    public function lives(): Lives
    {
        return new Lives(array_map($this->at(...), $this->keys));
    }

    public function at(string $stage): StageLife
    {
        return isset($this->marks[$stage]) ? $this->marks[$stage]->life : StageLife::Planned;
    }

    /** @return list<string> keys of the stages that are done */
    public function done(): array
    {
        return array_values(array_filter($this->keys, fn (string $key): bool => $this->at($key) === StageLife::Done));
    }
}
