<?php

namespace App\Queries;

use App\Models\ShopTerms;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Catalog\Shop\UsualDynoFactors;
use Pebblerun\Core\Physics\Driveline\Drive;
use Pebblerun\Core\Physics\Driveline\Gearbox;
use Pebblerun\Core\Physics\Driveline\UsualLoss;
use Pebblerun\Core\Physics\Dyno\DynoKind;
use Pebblerun\Core\Report\Words\ShopWords;
use Pebblerun\Core\Units\Currency;

/** What the shop charges, works with and writes on its papers, what will hold, and what held. */
final class ShopPage
{
    private const MOST = 60;

    /** @return array<string, mixed> valid against shopPage of schemas/answers.json */
    public static function of(User $reader): array
    {
        $shop = $reader->shop->refresh();
        $terms = array_values(ShopTerms::of($shop->id)->with('author')->orderByDesc('holds_from')->orderByDesc('id')->limit(self::MOST + 1)->get()->reverse()->all());

        return [
            'document' => $shop->document,
            'papers' => (object) $shop->papers,
            'units' => LibraryOptions::units($shop),
            'currency' => Currency::of($shop->document['currency'])->code,
            'today' => $shop->today(),
            'seen' => (int) ShopTerms::of($shop->id)->max('id'),
            'terms' => array_reverse(array_slice(array_map(fn (int $at): array => self::one($terms, $at, $shop->today()), array_keys($terms)), count($terms) > self::MOST ? 1 : 0)),
            'usual' => self::usual(),
            'fuels_in_use' => array_column(DB::select("select distinct f from customer_jobs j left join plans p on p.customer_job_id = j.id and p.deleted_at is null,
                lateral (select jsonb_array_elements(p.document->'stages')->>'fuel' as f union select j.brief->'received'->>'fuel' union select jsonb_array_elements_text(coalesce(j.brief->'fuels', '[]'))) u
                where j.shop_id = ? and f is not null", [$shop->id]), 'f'),
        ];
    }

    /**
     * @param  list<ShopTerms>  $terms  by the day from which they hold
     * @return array<string, mixed>
     */
    private static function one(array $terms, int $at, string $today): array
    {
        $one = $terms[$at];
        $before = $terms[$at - 1] ?? null;

        return [
            'id' => $one->id, 'holds_from' => $before === null ? null : $one->holds_from, 'by' => $one->author?->name, 'planned' => $one->holds_from > $today,
            'what' => $before === null ? [] : ShopWords::changed($before->document, $one->document, $before->papers, $one->papers),
        ];
    }

    /** @return list<array<string, mixed>> what is usual where the shop says nothing: by kind of dyno, in percent lost, and what others' figures are multiplied by */
    private static function usual(): array
    {
        $usual = [];
        foreach (DynoKind::cases() as $dyno) {
            $loss = new UsualLoss($dyno);
            $shares = array_map(fn (Drive $drive): float => round(100.0 * $loss->share($drive, Gearbox::Manual), 1), Drive::cases());
            $usual[] = ['dyno' => $dyno->value, 'loss' => array_combine(array_column(Drive::cases(), 'value'), $shares), 'factors' => UsualDynoFactors::of($dyno)];
        }

        return $usual;
    }
}
