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
use Closure;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Exchange\LimitUnits;
use Pebblerun\Core\Report\Words\RuleWords;
use Pebblerun\Core\Units\UnitSystem;
use stdClass;

/** Puts on record what was measured or claimed of a gain, and what became of components; nobody's figure changes by itself. */
final readonly class KeepEvidence
{
    public function __construct(private EditLibrary $edit) {}

    /**
     * @param  array<string, mixed>  $said  its figures in SI
     */
    public function record(Platform $platform, int $case, array $said, User $author): void
    {
        $this->case($platform, $case);
        EvidenceRecord::create([...$said, 'shop_id' => $platform->shop_id, 'gain_case_id' => $case, 'author_id' => $author->id]);
    }

    /**
     * @param  array<string, mixed>  $said  its figures in the shop's units
     */
    public function limitRecord(Platform $platform, int $limit, array $said, User $author): void
    {
        $si = self::limit($platform, $limit, $author);
        EvidenceRecord::create([...$said, 'figures' => array_map($si, (array) $said['figures']), 'shop_id' => $platform->shop_id, 'limit_id' => $limit, 'author_id' => $author->id]);
    }

    /** The figure in use becomes what the rule makes of the records. */
    public function useRule(Platform $platform, int $case, int $seen, User $author): ?LibraryEdit
    {
        $row = $this->case($platform, $case);
        $draft = DraftLibrary::of($platform, $author->shop);
        $by = FiguresByRule::of(array_values(EvidenceRecord::query()->where('gain_case_id', $case)->whereNotNull('figures')->orderBy('id')->get()->all()), $draft->opened())
            ?? throw Refused::because('There is no record with figures yet: put one on record first.');
        $part = $draft->subject($row->key) ?? throw Refused::because('This part is no longer there.');
        $at = $row->place - 1;
        // What the rule gives is in the shop's own frame.
        $part['gains'][$at] = [...array_diff_key($part['gains'][$at], ['frame' => 1]), 'power' => $by['power'], 'torque' => $by['torque'], 'evidence' => ['kind' => $by['kind'], 'note' => RuleWords::records($by['from']), 'set' => 'rule']];

        return $this->edit->change($platform, $row->key, $part, $seen, $author);
    }

    /** @param  array<string, mixed>  $said  its load in the shop's units */
    public function outcome(Platform $platform, int $limit, array $said, User $author): void
    {
        $si = self::limit($platform, $limit, $author);
        LimitOutcome::create([...$said, 'load' => $si((float) $said['load']), 'limit_id' => $limit, 'author_id' => $author->id]);
    }

    /** @return Closure(float): float brings what is written of it to SI */
    private static function limit(Platform $platform, int $limit, User $author): Closure
    {
        $quantity = DB::table('platform_limits')->where('platform_id', $platform->id)->where('id', $limit)->value('document->quantity');
        is_string($quantity) || throw Refused::because('This limit is no longer there.');
        $units = new LimitUnits(UnitSystem::parse($author->shop->units));

        return fn (float $written): float => $units->toSi(Quantity::from($quantity), $written);
    }

    private function case(Platform $platform, int $case): stdClass
    {
        return DB::table('gain_cases')->join('fitments', 'fitments.id', '=', 'gain_cases.fitment_id')->join('parts', 'parts.id', '=', 'fitments.part_id')->where('fitments.platform_id', $platform->id)->where('gain_cases.id', $case)->first(['parts.key', 'gain_cases.place'])
            ?? throw Refused::because('This gain is no longer there: open the part again.');
    }
}
