<?php

namespace App\Actions\Library;

use App\Assembly\DraftLibrary;
use App\Assembly\FiguresByRule;
use App\Exceptions\Refused;
use App\Models\EvidenceRecord;
use App\Models\LibraryEdit;
use App\Models\LimitOutcome;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Report\Words\RuleWords;
use stdClass;

/** Puts on record what was measured or claimed of a gain, and what became of components; nobody's figure changes by itself. */
final readonly class KeepEvidence
{
    public function __construct(private EditLibrary $edit) {}

    /**
     * @param  array{kind: string, figures: array<string, list<float>>, made_on: string, build: string, frame: string, source: string, note: ?string}  $said
     */
    public function record(Platform $platform, int $case, array $said, User $author): void
    {
        $this->case($platform, $case);
        EvidenceRecord::create([...$said, 'shop_id' => $platform->shop_id, 'gain_case_id' => $case, 'author_id' => $author->id]);
    }

    /**
     * @param  array{kind: string, figures: array<string, float>, made_on: string, build: string, frame: string, source: string, note: ?string}  $said
     */
    public function limitRecord(Platform $platform, int $limit, array $said, User $author): void
    {
        self::limit($platform, $limit);
        EvidenceRecord::create([...$said, 'shop_id' => $platform->shop_id, 'limit_id' => $limit, 'author_id' => $author->id]);
    }

    /** The figure in use becomes what the rule makes of the records. */
    public function useRule(Platform $platform, int $case, int $seen, User $author): ?LibraryEdit
    {
        $row = $this->case($platform, $case);
        $by = FiguresByRule::of(array_values(EvidenceRecord::query()->where('gain_case_id', $case)->whereNotNull('figures')->orderBy('id')->get()->all()))
            ?? throw Refused::because('There is no record with figures yet: put one on record first.');
        $part = DraftLibrary::of($platform, $author->shop)->subject($row->key) ?? throw Refused::because('This part is no longer there.');
        $at = $row->place - 1;
        $part['gains'][$at] = [...$part['gains'][$at], 'power' => $by['power'], 'torque' => $by['torque'], 'evidence' => ['kind' => $by['kind'], 'note' => RuleWords::records($by['from']), 'set' => 'rule']];

        return $this->edit->change($platform, $row->key, $part, $seen, $author);
    }

    /** @param  array{load: float, broke: bool, months: int, how: string, seen_on: string}  $said */
    public function outcome(Platform $platform, int $limit, array $said, User $author): void
    {
        self::limit($platform, $limit);
        LimitOutcome::create([...$said, 'limit_id' => $limit, 'author_id' => $author->id]);
    }

    private static function limit(Platform $platform, int $limit): void
    {
        DB::table('platform_limits')->where('platform_id', $platform->id)->where('id', $limit)->exists() || throw Refused::because('This limit is no longer there.');
    }

    private function case(Platform $platform, int $case): stdClass
    {
        return DB::table('gain_cases')->join('fitments', 'fitments.id', '=', 'gain_cases.fitment_id')->join('parts', 'parts.id', '=', 'fitments.part_id')->where('fitments.platform_id', $platform->id)->where('gain_cases.id', $case)->first(['parts.key', 'gain_cases.place'])
            ?? throw Refused::because('This gain is no longer there: open the part again.');
    }
}
