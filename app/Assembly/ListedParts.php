<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use stdClass;

/** The parts that a price list may mean: by the supplier's article number, or by maker and name; with what they cost now. */
final class ListedParts
{
    /** @var array<string, int> part by article */
    private array $byArticle = [];

    /** @var array<string, int> part by maker and name */
    private array $byName = [];

    /** @var array<int, array{id: int, money: array<string, mixed>, as_of: ?string}> newest price by part */
    private array $prices = [];

    /** @var array<string, true> keys of parts that are taken */
    private array $keys = [];

    public function __construct(PriceList $list)
    {
        foreach (DB::select('select article, part_id from supplier_items where supplier_id = ?', [$list->supplier_id]) as $row) {
            $this->byArticle[$row->article] = (int) $row->part_id;
        }
        foreach (DB::select('select id, key, maker, name from parts where shop_id = ?', [$list->shop_id]) as $row) {
            $this->byName[self::named($row->maker, $row->name)] ??= (int) $row->id;
            $this->keys[$row->key] = true;
        }
        /** @var stdClass $row */
        foreach (DB::select('select distinct on (p.part_id) p.part_id, p.id, p.money, p.as_of from prices p join parts on parts.id = p.part_id where parts.shop_id = ? order by p.part_id, p.as_of desc nulls last, p.id desc', [$list->shop_id]) as $row) {
            $this->prices[(int) $row->part_id] = ['id' => (int) $row->id, 'money' => (array) json_decode($row->money, true), 'as_of' => $row->as_of];
        }
    }

    public function find(string $article, string $maker, string $name): ?int
    {
        return ($article === '' ? null : $this->byArticle[$article] ?? null) ?? ($maker === '' || $name === '' ? null : $this->byName[self::named($maker, $name)] ?? null);
    }

    /** @return ?array{id: int, money: array<string, mixed>, as_of: ?string} */
    public function price(int $part): ?array
    {
        return $this->prices[$part] ?? null;
    }

    /** A key that no part of the shop has, and that is taken from now on. */
    public function fresh(string $maker, string $name): string
    {
        $base = PartKey::base($maker, $name);
        for ($key = $base, $i = 2; isset($this->keys[$key]); $i++) {
            $key = "{$base}-{$i}";
        }
        $this->keys[$key] = true;

        return $key;
    }

    private static function named(string $maker, string $name): string
    {
        return mb_strtolower("{$maker}\n{$name}");
    }
}
