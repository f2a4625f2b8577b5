<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Assembly\FiguresByRule;
use App\Assembly\Reading;
use App\Models\EvidenceRecord;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Advice\Library\PartPreview;
use Pebblerun\Core\Catalog\Evidence;
use Pebblerun\Core\CoreException;
use Pebblerun\Core\Report\LibraryDocument;
use Pebblerun\Core\Report\Terms;
use stdClass;

/** What the gains of a part rest on, record by record, beside the figure in use: what each would do to a plan, and what the rule says. */
final readonly class GainEvidence
{
    private DraftLibrary $draft;

    private function __construct(private Platform $platform, private string $key, private User $reader)
    {
        $this->draft = DraftLibrary::of($platform, $reader->shop);
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

        return array_values($rows->map(function (stdClass $row, int $at) use ($part, $words, $records): array {
            $case = $part['gains'][$at];
            $own = array_values($records->get($row->id)?->all() ?? []);

            return [
                'id' => $row->id, 'at' => $at, 'when' => $words[$at]['when'],
                'in_use' => ['power' => self::three($case['power'] ?? 0), 'torque' => self::three($case['torque'] ?? 0), 'rests' => Terms::evidence(Evidence::from($case['evidence']['kind'])), 'note' => $case['evidence']['note'] ?? '', 'set' => $case['evidence']['set'] ?? '', 'adds' => $this->adds($at, null)],
                'by_rule' => FiguresByRule::of($own),
                'records' => array_map(fn (EvidenceRecord $record): array => [
                    'id' => $record->id, 'kind' => $record->kind, 'rests' => Terms::evidence(Evidence::from($record->kind)), 'power' => self::three($record->figures['power'] ?? 0), 'torque' => self::three($record->figures['torque'] ?? 0),
                    'on' => $record->made_on, 'by' => $record->author->name ?? '', 'build' => $record->build, 'frame' => $record->frame, 'source' => $record->source, 'note' => $record->note ?? '', 'adds' => $this->adds($at, $record->figures),
                ], $own),
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
        try {
            $bundle = $this->draft->withPart($this->key, $part)->opened();
            $shown = (new PartPreview($bundle->bundle))->of($bundle->bundle->catalog->part($this->key));
            $say = Reading::of($this->reader)->formatter($bundle);
            $last = end($shown);

            return $last === false ? '' : "{$say->writeAddedPower($last[2]->adds)} {$say->powerLabel()}";
        } catch (CoreException) {
            return '';
        }
    }

    /** @return list<float> low, likely, high */
    private static function three(mixed $figure): array
    {
        return is_array($figure) ? array_values(array_map(floatval(...), $figure)) : [(float) $figure, (float) $figure, (float) $figure];
    }
}
