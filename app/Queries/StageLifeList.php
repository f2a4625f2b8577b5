<?php

namespace App\Queries;

use App\Assembly\StageLives;
use App\Models\Plan;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Job\Life\StageLife;
use Pebblerun\Core\Report\Terms;

/** How far each stage of a plan is, since when and by whom, and what it may become. */
final class StageLifeList
{
    /**
     * @param  array<string, mixed>  $document  the plan as it is shown
     * @return list<array<string, mixed>> in the stages' order; valid against stageLives of schemas/answers.json
     */
    public static function of(Plan $plan, array $document): array
    {
        $of = StageLives::of($plan, $document);
        $lives = $of->lives();
        $marks = array_column($of->marks, 'id');
        $sent = $marks === [] ? [] : DB::table('sent_bundles')->whereIn('stage_mark_id', $marks)->pluck('stage_mark_id')->all();
        $rows = [];
        foreach ($document['stages'] as $place => $stage) {
            $mark = $of->marks[$stage['key']] ?? null;
            $may = array_values(array_filter(StageLife::cases(), fn (StageLife $to): bool => $lives->hindrance($place + 1, $to) === null));
            $rows[] = [
                'stage' => $stage['key'],
                'life' => $of->at($stage['key'])->value,
                'words' => Terms::stageLife($of->at($stage['key'])),
                'on' => $mark?->marked_on,
                'by' => $mark?->author->name ?? '',
                'sent' => $mark !== null && in_array($mark->id, $sent, true) ? $mark->id : null,
                'may' => array_map(fn (StageLife $to): array => ['life' => $to->value, 'words' => Terms::stageLife($to)], $may),
            ];
        }

        return $rows;
    }
}
