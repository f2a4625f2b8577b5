<?php

namespace App\Queries;

use App\Assembly\BuildInWords;
use App\Assembly\Canonical;
use App\Assembly\DraftLibrary;
use App\Assembly\FiguresByRule;
use App\Assembly\Reading;
use App\Assembly\RuleSources;
use App\Models\EvidenceRecord;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Advice\Library\PartPreview;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Report\LibraryDocument;
use Pebblerun\Core\Report\Terms;
use Pebblerun\Core\Units\UnitSystem;
use stdClass;

/** What the gains of a part rest on, record by record, beside the figure in use: what each would do to a plan, and what the rule says. */
final readonly class GainEvidence
{
    /** Records of a case that are told one by one, the newest; all of them count for the rule. */
    private const SHOWN = 20;

    /** s that what a figure would do is kept. */
    private const KEPT = 86_400;

    private DraftLibrary $draft;

    private UnitSystem $units;

    private BuildInWords $builds;

    /** Of everything that it depends on but the figure. */
    private string $fingerprint;

    private function __construct(private Platform $platform, private string $key, private User $reader)
    {
        $this->draft = DraftLibrary::of($platform, $reader->shop);
        $this->units = UnitSystem::parse($reader->shop->units);
        $this->builds = new BuildInWords($reader->shop, Reading::of($reader)->formatter($this->draft->opened()));
        $this->fingerprint = Canonical::hash([RuleSources::current(), $this->draft->platform, $this->draft->parts, $reader->shop->document, Reading::of($reader)->toArray()]);
    }

    /** @return list<array<string, mixed>> valid against gainEvidence of schemas/answers.json */
    public static function of(Platform $platform, string $key, User $reader): array
    {
        return (new self($platform, $key, $reader))->cases();
    }

    /** @return list<array<string, mixed>> */
    private function cases(): array
    {
        $part = $this->draft->subject($this->key) ?? abort(404);
        $opened = $this->draft->opened();
        $words = (new LibraryDocument($opened->bundle, Reading::of($this->reader)->formatter($opened), $this->reader->shop->today()))->cases($opened->bundle->catalog->part($this->key));
        $rows = DB::table('gain_cases')->join('fitments', 'fitments.id', '=', 'gain_cases.fitment_id')->join('parts', 'parts.id', '=', 'fitments.part_id')
            ->where('fitments.platform_id', $this->platform->id)->where('parts.key', $this->key)->orderBy('gain_cases.place')->get(['gain_cases.id']);
        $records = EvidenceRecord::query()->with('author')->whereIn('gain_case_id', $rows->pluck('id'))->whereNotNull('figures')->orderBy('id')->get()->groupBy('gain_case_id');

        return array_values($rows->map(function (stdClass $row, int $at) use ($part, $words, $records, $opened): array {
            $case = $part['gains'][$at];
            $own = array_values($records->get($row->id)?->all() ?? []);

            return [
                'id' => $row->id, 'at' => $at, 'when' => $words[$at]['when'],
                'in_use' => ['power' => self::three($case['power'] ?? 0), 'torque' => self::three($case['torque'] ?? 0), 'kind' => $case['evidence']['kind'], 'rests' => Terms::evidence(Evidence::from($case['evidence']['kind'])), 'note' => $case['evidence']['note'] ?? '', 'set' => $case['evidence']['set'] ?? '', 'adds' => $this->adds($at, null)],
                'by_rule' => FiguresByRule::of($own, $opened),
                'records' => array_map(fn (EvidenceRecord $record): array => [
                    'id' => $record->id, 'kind' => $record->kind, 'rests' => Terms::evidence(Evidence::from($record->kind)), ...$this->written($record),
                    'on' => $record->made_on, 'by' => $record->author->name ?? '', 'build' => implode(', ', array_filter([$record->build, $this->builds->of($record)])), 'frame' => $this->frame($record), 'source' => $record->source, 'note' => $record->note ?? '', 'adds' => $this->adds($at, $this->written($record)),
                ], array_slice($own, -self::SHOWN)),
                'older' => max(0, count($own) - self::SHOWN),
            ];
        })->all());
    }

    /**
     * What the part would add on the fullest reference build, if this were its figure.
     *
     * @param  ?array<string, mixed>  $figures  null for those in use
     */
    private function adds(int $at, ?array $figures): string
    {
        $part = $this->draft->parts[$this->key];
        if ($figures !== null) {
            $part['gains'][$at] = [...$part['gains'][$at], ...$figures];
        }

        return Cache::remember('adds '.Canonical::hash([$this->fingerprint, $this->key, $part]), self::KEPT, fn (): string => $this->worked($part));
    }

    /** @param  array<string, mixed>  $part */
    private function worked(array $part): string
    {
        try {
            $bundle = $this->draft->withPart($this->key, $part)->opened();
            $say = Reading::of($this->reader)->formatter($bundle);

            return "{$say->writeAddedPower((new PartPreview($bundle->bundle))->fullest($bundle->bundle->catalog->part($this->key))->adds)} {$say->powerLabel()}";
        } catch (CoreException) {
            return '';
        }
    }

    /** @return array{power: list<float>, torque: list<float>} low, likely and high in the shop's units */
    private function written(EvidenceRecord $record): array
    {
        $in = fn (string $figure, float $size): array => array_map(fn (float $value): float => round($value / $size, 4), self::three($record->figures[$figure] ?? 0));

        return ['power' => $in('power', $this->units->power->watts()), 'torque' => $in('torque', $this->units->torque->newtonMetres())];
    }

    private function frame(EvidenceRecord $record): string
    {
        return implode(', ', array_filter([$record->frame_at === 'crank' ? 'at the crank' : '', $record->frame_dyno === null ? '' : str_replace('-', ' ', $record->frame_dyno), $record->frame]));
    }

    /** @return list<float> low, likely, high */
    private static function three(mixed $figure): array
    {
        return is_array($figure) ? array_values(array_map(floatval(...), $figure)) : [(float) $figure, (float) $figure, (float) $figure];
    }
}
