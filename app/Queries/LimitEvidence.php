<?php

namespace App\Queries;

use App\Assembly\BuildInWords;
use App\Assembly\DraftLibrary;
use App\Models\EvidenceRecord;
use App\Models\LimitOutcome;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Advice\Library\LimitRule;
use Pebblerun\Core\Advice\Library\Outcome;
use Pebblerun\Core\Advice\Library\OutcomeRule;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\Catalog\Limits\Quantity;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Evaluation\Limits\LimitReading;
use Pebblerun\Core\Exchange\LimitUnits;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\RuleWords;
use Pebblerun\Core\Units\Currency;
use Pebblerun\Core\Units\UnitSystem;
use stdClass;

/** What a platform's limits rest on: records, and what became of components under load; limit by limit, with what that proposes. */
final readonly class LimitEvidence
{
    /** More than anybody writes. */
    private const DECIMALS = 6;

    private UnitFormatter $say;

    private LimitUnits $units;

    private BuildInWords $builds;

    /** @var array<string, LimitReading> of the stock car, by the limit's key */
    private array $readings;

    private function __construct(private Platform $platform, User $reader)
    {
        $shop = $reader->shop;
        $this->say = new UnitFormatter(UnitSystem::parse($shop->units), Currency::of($shop->document['currency']));
        $this->units = new LimitUnits(UnitSystem::parse($shop->units));
        $this->builds = new BuildInWords($shop, $this->say);
        $stock = Estimate::of(DraftLibrary::of($platform, $shop)->opened()->bundle);
        $this->readings = array_column(array_map(fn (LimitReading $reading): array => [$reading->limit->key, $reading], $stock->last()->readings), 1, 0);
    }

    /** @return list<array<string, mixed>> valid against limitEvidence of schemas/answers.json */
    public static function of(Platform $platform, User $reader): array
    {
        return (new self($platform, $reader))->limits();
    }

    /** @return list<array<string, mixed>> */
    private function limits(): array
    {
        $limits = DB::table('platform_limits')->where('platform_id', $this->platform->id)->orderBy('place')->get(['id', 'key', 'document']);
        $outcomes = LimitOutcome::query()->with('author')->whereIn('limit_id', $limits->pluck('id'))->orderBy('load')->orderBy('id')->get()->groupBy('limit_id');
        $records = EvidenceRecord::query()->with('author')->whereIn('limit_id', $limits->pluck('id'))->orderBy('id')->get()->groupBy('limit_id');

        return array_values($limits->map(fn (stdClass $limit): array => $this->limit(
            $limit, array_values($outcomes->get($limit->id)?->all() ?? []), array_values($records->get($limit->id)?->all() ?? []),
        ))->all());
    }

    /**
     * @param  list<LimitOutcome>  $outcomes
     * @param  list<EvidenceRecord>  $records  those with figures, and what was said of the figure in use
     * @return array<string, mixed>
     */
    private function limit(stdClass $limit, array $outcomes, array $records): array
    {
        $document = (array) json_decode($limit->document, true);
        $quantity = Quantity::from($document['quantity']);
        $written = fn (?float $value): ?float => $value === null ? null : round($this->units->fromSi($quantity, $value), self::DECIMALS);
        $safe = isset($document['safe']) ? (float) $document['safe'] : null;
        $rule = OutcomeRule::of(array_map(fn (LimitOutcome $one): Outcome => new Outcome($one->load, $one->broke, $one->months, $one->map_sound), $outcomes));
        $said = array_values(array_filter($records, fn (EvidenceRecord $record): bool => $record->figures === null));
        $own = array_values(array_filter($records, fn (EvidenceRecord $record): bool => $record->figures !== null));
        $newest = end($said) ?: null;

        return [
            'id' => $limit->id, 'key' => $limit->key, 'name' => (string) ($document['name'] ?? ''), 'quantity' => Terms::quantity($quantity), 'unit' => $this->say->limitLabel($quantity),
            'safe' => $safe, 'edge' => isset($document['edge']) ? (float) $document['edge'] : null,
            'in_use' => ['rests' => $newest === null ? '' : Terms::evidence(Evidence::from($newest->kind)), 'note' => $newest->note ?? '', 'set' => $newest->set ?? '', 'stock' => $this->stock($limit->key, $safe, $safe)],
            'by_rule' => $this->byRule($own, $quantity),
            'records' => array_map(fn (EvidenceRecord $record): array => [
                'id' => $record->id, 'kind' => $record->kind, 'rests' => Terms::evidence(Evidence::from($record->kind)), 'safe' => $written((float) ($record->figures['safe'] ?? 0)), 'edge' => $written((float) ($record->figures['edge'] ?? 0)),
                'on' => $record->made_on, 'by' => $record->author->name ?? '', 'build' => implode(', ', array_filter([$record->build, $this->builds->of($record)])), 'frame' => $record->frame, 'source' => $record->source, 'note' => $record->note ?? '',
                'stock' => $this->stock($limit->key, $safe, $written((float) ($record->figures['safe'] ?? 0))),
            ], $own),
            'proposed' => ['safe' => $written($rule->safe), 'edge' => $written($rule->edge), 'lived' => $rule->lived, 'broke' => $rule->broke, 'doubtful' => $rule->doubtful, 'missing' => max(0, OutcomeRule::FEWEST - count($outcomes)), 'evidence' => self::byRuleSaid(OutcomeRule::KIND, RuleWords::outcomes(count($outcomes)))],
            'outcomes' => array_map(fn (LimitOutcome $one): array => ['id' => $one->id, 'load' => $written($one->load), 'broke' => $one->broke, 'months' => $one->months, 'how' => implode('; ', array_filter([$one->how, $this->builds->of($one)])), 'on' => $one->seen_on, 'by' => $one->author->name ?? ''], $outcomes),
        ];
    }

    /**
     * @param  list<EvidenceRecord>  $records
     * @return ?array<string, mixed>
     */
    private function byRule(array $records, Quantity $quantity): ?array
    {
        $rule = LimitRule::of(array_map(fn (EvidenceRecord $record): array => [Evidence::from($record->kind), (float) ($record->figures['safe'] ?? 0), (float) ($record->figures['edge'] ?? 0)], $records), $quantity);

        return $rule === null ? null : ['safe' => round($this->units->fromSi($quantity, $rule->safe), self::DECIMALS), 'edge' => round($this->units->fromSi($quantity, $rule->edge), self::DECIMALS), 'evidence' => self::byRuleSaid($rule->kind, RuleWords::records($rule->from))];
    }

    /** How much of it the stock car would use, if this were what is safe; empty where a share says nothing. */
    private function stock(string $key, ?float $inUse, ?float $safe): string
    {
        $share = $inUse === null || $safe === null ? null : ($this->readings[$key] ?? null)?->medianOf($safe / $inUse);

        return $share === null || $share < 0.005 ? '' : sprintf('%.0f %%', 100.0 * $share);
    }

    /** @return array{kind: string, note: string, set: 'rule'} what a limit rests on that comes by a rule */
    private static function byRuleSaid(Evidence $kind, string $note): array
    {
        return ['kind' => $kind->value, 'note' => $note, 'set' => 'rule'];
    }
}
