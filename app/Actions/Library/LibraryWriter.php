<?php

namespace App\Actions\Library;

use App\Assembly\Canonical;
use App\Assembly\CurrentPrices;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\Parts\PartPrice;

/** Writes documents that were read and found right into the rows of a platform: rows keep their identity by key. */
final readonly class LibraryWriter
{
    private const LISTS = ['slots' => 'platform_slots', 'limits' => 'platform_limits', 'year_changes' => 'platform_years'];

    private const OF_THE_PART = ['tags', 'contains', 'lead_days', 'warranty', 'law', 'cautions', 'sound'];

    /** @param  ?User  $author  who said what is new of prices and evidence; null for a file */
    public function __construct(private ?User $author = null) {}

    /** @param  array<string, mixed>  $document  of the platform */
    public function platform(Platform $platform, array $document): void
    {
        $platform->update(['name' => $document['name'], 'document' => array_diff_key($document, self::LISTS)]);
        foreach (self::LISTS as $list => $table) {
            $this->list($platform, $table, $document[$list] ?? []);
        }
    }

    /**
     * The nth of a key stays the nth of that key.
     *
     * @param  list<array<string, mixed>>  $entries
     */
    private function list(Platform $platform, string $table, array $entries): void
    {
        $have = DB::table($table)->where('platform_id', $platform->id)->orderBy('place')->get(['id', 'key'])->groupBy('key')->map(fn ($rows) => $rows->pluck('id')->all())->all();
        // Out of the way: places are taken once.
        DB::table($table)->where('platform_id', $platform->id)->update(['place' => DB::raw('place + 1000000')]);
        foreach ($entries as $at => $entry) {
            $key = (string) ($entry['key'] ?? '');
            $row = ['key' => $key, 'place' => $at + 1, 'document' => json_encode(array_diff_key($entry, $table === 'platform_limits' ? ['evidence' => 1] : []), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)];
            $have[$key] ??= [];
            $id = array_shift($have[$key]);
            if ($id === null) {
                $id = DB::table($table)->insertGetId([...$row, 'platform_id' => $platform->id]);
            } else {
                DB::table($table)->where('id', $id)->update($row);
            }
            if ($table === 'platform_limits') {
                $this->evidence($platform, ['limit_id' => $id], $entry['evidence']);
            }
        }
        DB::table($table)->where('platform_id', $platform->id)->where('place', '>', 1000000)->delete();
    }

    /**
     * @param  array<string, mixed>  $part
     * @return bool whether it has another price than before
     */
    public function part(Platform $platform, array $part, int $place): bool
    {
        $json = fn (array $document): string => json_encode((object) $document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION);
        DB::table('parts')->upsert([['shop_id' => $platform->shop_id, 'key' => $part['key'], 'maker' => $part['maker'], 'name' => $part['name'], 'document' => $json(array_intersect_key($part, array_flip(self::OF_THE_PART))), 'created_at' => now(), 'updated_at' => now()]],
            ['shop_id', 'key'], ['maker', 'name', 'document', 'updated_at']);
        $id = (int) DB::table('parts')->where('shop_id', $platform->shop_id)->where('key', $part['key'])->value('id');
        $fits = array_diff_key($part, array_flip([...self::OF_THE_PART, 'key', 'maker', 'name', 'gains']));
        DB::table('fitments')->upsert([['part_id' => $id, 'platform_id' => $platform->id, 'place' => $place, 'document' => $json([...$fits, 'price' => (object) CurrentPrices::work($part)]), 'left_at' => null]], ['part_id', 'platform_id'], ['place', 'document', 'left_at']);
        $fitment = (int) DB::table('fitments')->where('part_id', $id)->where('platform_id', $platform->id)->value('id');
        $this->cases($platform, $fitment, array_values($part['gains'] ?? []));

        return $this->price($id, $part['price']);
    }

    /**
     * A case is known by when it holds: what rests on it stays with it, wherever it stands in the list.
     *
     * @param  list<array<string, mixed>>  $cases
     */
    private function cases(Platform $platform, int $fitment, array $cases): void
    {
        $known = fn (array $case): string => Canonical::hash(array_intersect_key($case, ['when' => 1, 'at_ethanol' => 1]));
        $have = [];
        foreach (DB::table('gain_cases')->where('fitment_id', $fitment)->orderBy('place')->get(['id', 'document']) as $row) {
            $have[$known((array) json_decode($row->document, true))][] = (int) $row->id;
        }
        // Out of the way: places are taken once.
        DB::table('gain_cases')->where('fitment_id', $fitment)->update(['place' => DB::raw('place + 1000000')]);
        foreach ($cases as $at => $case) {
            $row = ['place' => $at + 1, 'document' => json_encode((object) array_diff_key($case, ['evidence' => 1]), JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION)];
            $id = isset($have[$known($case)]) ? array_shift($have[$known($case)]) : null;
            if ($id === null) {
                $id = DB::table('gain_cases')->insertGetId([...$row, 'fitment_id' => $fitment]);
            } else {
                DB::table('gain_cases')->where('id', $id)->update($row);
            }
            $this->evidence($platform, ['gain_case_id' => $id], $case['evidence']);
        }
        DB::table('gain_cases')->where('fitment_id', $fitment)->where('place', '>', 1000000)->delete();
    }

    /** @param  array<string, mixed>  $said */
    private function price(int $part, array $said): bool
    {
        $money = array_intersect_key($said, array_flip(PartPrice::MONEY));
        $newest = DB::table('newest_prices')->where('part_id', $part)->first(['money', 'as_of']);
        if ($newest !== null && (! isset($said['as_of']) || $newest->as_of === $said['as_of']) && Canonical::hash((array) json_decode($newest->money, true)) === Canonical::hash($money)) {
            return false;
        }
        DB::table('prices')->insert(['part_id' => $part, 'as_of' => $said['as_of'] ?? null, 'money' => json_encode($money, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), 'author_id' => $this->author?->id, 'created_at' => now()]);

        return true;
    }

    /**
     * Adds a record where the newest says something else: what was known before stays.
     *
     * @param  array<string, int>  $of  a gain case or a limit
     * @param  array<string, string>  $said
     */
    private function evidence(Platform $platform, array $of, array $said): void
    {
        $newest = DB::table('evidence_records')->where($of)->whereNull('figures')->orderByDesc('id')->first(['kind', 'note', 'set']);
        if ($newest === null || $newest->kind !== $said['kind'] || $newest->note !== ($said['note'] ?? null) || $newest->set !== ($said['set'] ?? null)) {
            DB::table('evidence_records')->insert([...$of, 'shop_id' => $platform->shop_id, 'kind' => $said['kind'], 'note' => $said['note'] ?? null, 'set' => $said['set'] ?? null, 'author_id' => $this->author?->id, 'created_at' => now()]);
        }
    }

    /**
     * Parts that are no longer there.
     *
     * @param  list<string>  $keys
     */
    public function leave(Platform $platform, array $keys): void
    {
        DB::table('fitments')->where('platform_id', $platform->id)->whereNull('left_at')
            ->whereIn('part_id', DB::table('parts')->where('shop_id', $platform->shop_id)->whereIn('key', $keys)->select('id'))->update(['left_at' => now()]);
    }

    /** The part stays for the plans that have it, and is offered no more. */
    public function retire(Platform $platform, string $key, string $on): void
    {
        DB::update("update fitments f set document = jsonb_set(f.document, '{retired}', coalesce(f.document->'retired', '{}') || jsonb_build_object('on', ?::text)) from parts p where p.id = f.part_id and f.platform_id = ? and p.key = ? and not jsonb_exists(f.document, 'retired')", [$on, $platform->id, $key]);
    }
}
