<?php

namespace App\Queries;

use App\Models\LimitOutcome;
use App\Models\Platform;
use App\Models\Shop;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Advice\Library\Outcome;
use Pebblerun\Core\Advice\Library\OutcomeRule;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\UnitSystem;
use stdClass;

/** What became of a platform's components under load, limit by limit, and what that proposes. */
final class LimitEvidence
{
    /** @return list<array<string, mixed>> valid against limitEvidence of schemas/answers.json */
    public static function of(Platform $platform, Shop $shop): array
    {
        $say = new UnitFormatter(UnitSystem::parse($shop->units), Currency::of($shop->document['currency']));
        $limits = DB::table('platform_limits')->where('platform_id', $platform->id)->orderBy('place')->get(['id', 'key', 'document']);
        $outcomes = LimitOutcome::query()->with('author')->whereIn('limit_id', $limits->pluck('id'))->orderBy('load')->orderBy('id')->get()->groupBy('limit_id');

        return array_values($limits->map(function (stdClass $limit) use ($outcomes, $say): array {
            $document = (array) json_decode($limit->document, true);
            $own = array_values($outcomes->get($limit->id)?->all() ?? []);
            $rule = OutcomeRule::of(array_map(fn (LimitOutcome $one): Outcome => new Outcome($one->load, $one->broke, $one->months), $own));

            return [
                'id' => $limit->id, 'key' => $limit->key, 'name' => (string) ($document['name'] ?? ''), 'quantity' => Terms::quantity($quantity = Quantity::from($document['quantity'])), 'unit' => $say->limitLabel($quantity),
                'safe' => isset($document['safe']) ? (float) $document['safe'] : null, 'edge' => isset($document['edge']) ? (float) $document['edge'] : null,
                'proposed' => ['safe' => $rule->safe, 'edge' => $rule->edge, 'lived' => $rule->lived, 'broke' => $rule->broke, 'missing' => max(0, OutcomeRule::FEWEST - count($own))],
                'outcomes' => array_map(fn (LimitOutcome $one): array => ['id' => $one->id, 'load' => $one->load, 'broke' => $one->broke, 'months' => $one->months, 'how' => $one->how, 'on' => $one->seen_on, 'by' => $one->author->name ?? ''], $own),
            ];
        })->all());
    }
}
