<?php

namespace App\Queries;

use App\Assembly\PriceListFile;
use App\Assembly\PriceListRows;
use App\Assembly\Reading;
use App\Models\Platform;
use App\Models\PriceList;
use App\Models\Supplier;
use App\Models\Task;
use App\Models\User;
use App\Security\Ability;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Units\Currency;
use stdClass;

/** Suppliers with their price lists, and one list: how it is matched, and what taking it in would do. */
final class PriceListPage
{
    private const LISTS = 40;

    private const ROWS = 100;

    /** @return array<string, mixed> valid against priceListsPage of schemas/answers.json */
    public static function of(?PriceList $shown, User $reader): array
    {
        return [
            'suppliers' => array_values(Supplier::query()->where('shop_id', $reader->shop_id)->orderBy('name')->get()->map(fn (Supplier $supplier): array => ['id' => $supplier->id, 'name' => $supplier->name, 'remembers' => $supplier->matching !== null, 'asked' => $supplier->address !== null, 'answered' => $supplier->answered_at?->toIso8601String(), 'trouble' => $supplier->trouble])->all()),
            'lists' => array_values(PriceList::query()->with('supplier', 'author')->where('shop_id', $reader->shop_id)->orderByDesc('created_at')->limit(self::LISTS)->get()->map(fn (PriceList $list): array => [
                'id' => $list->id, 'name' => $list->name, 'supplier' => $list->supplier->name, 'state' => $list->state, 'at' => $list->created_at->toIso8601String(), 'author' => $list->author->name,
            ])->all()),
            'shown' => $shown === null ? null : self::list($shown, $reader),
            'platforms' => $reader->may(Ability::KeepLibrary) ? Platform::query()->where('shop_id', $reader->shop_id)->orderBy('name')->get(['id', 'name'])->toArray() : [],
            'currency' => $reader->shop->document['currency'],
            'tax_percent' => $reader->shop->document['tax_percent'],
            'margin_percent' => $reader->shop->document['margin_percent'] ?? null,
            'today' => $reader->shop->today(),
        ];
    }

    /** @return array<string, mixed> valid against priceListShown of schemas/answers.json */
    public static function list(PriceList $list, User $reader): array
    {
        $text = in_array($list->state, ['sent', 'looked'], true) ? PriceListFile::text($list) : null;
        [$names, $rows] = $text === null ? [[], []] : PriceListFile::beginning($text);
        $task = Task::query()->where('shop_id', $list->shop_id)->where(fn (Builder $of) => $of->where(['kind' => PriceList::LOOKING, 'subject' => $list->id])
            ->orWhere(fn (Builder $or) => $or->where('kind', PriceList::TAKING)->where('subject', 'like', "%{$list->id}%")))->orderByDesc('created_at')->first();

        return [
            'id' => $list->id, 'name' => $list->name, 'supplier' => $list->supplier->name, 'state' => $list->state, 'as_of' => $list->as_of,
            'encoding' => $text->encoding ?? '', 'separator' => $text->separator ?? '', 'names' => $names, 'rows' => $rows,
            'matching' => (object) ($list->matching ?? []), 'task' => $task === null ? null : TaskState::of($task),
            'counts' => self::counts($list), 'first' => self::rows($list, self::worst($list), 0, $reader),
        ];
    }

    /** @return array{added: int, changed: int, unchanged: int, refused: int} */
    public static function counts(PriceList $list): array
    {
        $counts = DB::table('price_list_rows')->where('price_list_id', $list->id)->groupBy('outcome')->selectRaw('outcome, count(*) as many')->pluck('many', 'outcome');
        $of = fn (string $outcome): int => (int) ($counts[$outcome] ?? 0);

        return ['added' => $of('added'), 'changed' => $of('changed'), 'unchanged' => $of('unchanged'), 'refused' => $of('refused')];
    }

    /** What is shown first: what somebody has to do something about. */
    private static function worst(PriceList $list): string
    {
        $counts = self::counts($list);

        return array_values(array_filter(['refused', 'changed', 'added'], fn (string $outcome): bool => $counts[$outcome] > 0))[0] ?? 'unchanged';
    }

    /** @return array<string, mixed> valid against priceListRows of schemas/answers.json */
    public static function rows(PriceList $list, string $outcome, int $after, User $reader): array
    {
        $currency = Currency::of($reader->shop->document['currency']);
        $numerals = Reading::of($reader)->numerals;
        $say = fn (?string $price): string => $price === null ? '' : $numerals->write((float) $price, $currency->decimals);
        $rows = DB::select('select line, article, maker, name, was, price as is, reason, part_id is not null as known, jsonb_array_length(others) as others from price_list_rows where price_list_id = ? and outcome = ? and line > ? order by line limit ?', [$list->id, $outcome, $after, self::ROWS]);

        $meant = $outcome === 'refused' && $rows !== [] ? PriceListRows::meant($list, array_map(intval(...), array_column($rows, 'line'))) : [];

        return ['outcome' => $outcome, 'rows' => array_values(array_map(fn (stdClass $row): array => [
            'line' => $row->line, 'what' => trim("{$row->maker} {$row->name}") ?: $row->article, 'article' => $row->article, 'was' => $say($row->was), 'is' => $say($row->is), 'reason' => $row->reason,
            'known' => $row->known, 'maker' => $row->maker, 'name' => $row->name, 'price' => $row->is === null ? null : (float) $row->is,
            'others' => $row->others, 'meant' => $meant[$row->line] ?? [],
        ], $rows))];
    }
}
