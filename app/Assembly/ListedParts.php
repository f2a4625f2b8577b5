<?php

namespace App\Assembly;

use App\Models\PriceList;
use Illuminate\Support\Facades\DB;
use PDO;
use Pebblerun\Formats\PriceList\ListedPrice;

/** The parts that a price list may mean: by the supplier's article number, or by maker and name; with what they cost now. */
final class ListedParts
{
    /** @var array<string, int> part by article */
    private array $byArticle;

    /** @var array<string, int> part by maker and name, lower case */
    private array $byName;

    /** That several parts are called the same. */
    public const SEVERAL = -1;

    /** Of what is likely, where a price has a range. */
    private const LIKELY = "case jsonb_typeof(p.money->'%1\$s') when 'array' then p.money->'%1\$s'->>1 else p.money->>'%1\$s' end";

    /** @var array<int, array{int, ?float, ?float}> newest price by part: its number, new and used */
    private array $prices = [];

    /** @var ?array<string, int> keys of parts that are taken; null until somebody asks */
    private ?array $keys = null;

    public function __construct(private readonly PriceList $list)
    {
        $this->byArticle = self::pairs('select article, part_id from supplier_items where supplier_id = ?', $list->supplier_id);
        $this->byName = self::pairs("select lower(maker || E'\n' || name), case count(*) when 1 then min(id) else -1 end from parts where shop_id = ? group by 1", $list->shop_id);
        $newest = DB::connection()->getPdo()->prepare('select distinct on (p.part_id) p.part_id, p.id, '.sprintf(self::LIKELY, 'new').', '.sprintf(self::LIKELY, 'used').' from prices p where p.part_id in (select id from parts where shop_id = ?) order by p.part_id, p.as_of desc nulls last, p.id desc');
        $newest->execute([$list->shop_id]);
        while (is_array($row = $newest->fetch(PDO::FETCH_NUM))) {
            $this->prices[(int) $row[0]] = [(int) $row[1], $row[2] === null ? null : (float) $row[2], $row[3] === null ? null : (float) $row[3]];
        }
    }

    /** Null for one that is not here. */
    public function find(ListedPrice $listed): ?int
    {
        if ($listed->key !== '') {
            return $this->keys()[$listed->key] ?? null;
        }

        return ($listed->article === '' ? null : $this->byArticle[$listed->article] ?? null) ?? ($listed->maker === '' || $listed->name === '' ? null : $this->byName[mb_strtolower("{$listed->maker}\n{$listed->name}")] ?? null);
    }

    /** @return array{?int, ?float, ?float} the newest: its number, new and used; nulls for none */
    public function price(int $part): array
    {
        return $this->prices[$part] ?? [null, null, null];
    }

    /** A key that no part of the shop has, and that is taken from now on. */
    public function fresh(string $maker, string $name): string
    {
        $keys = $this->keys();
        $base = PartKey::base($maker, $name);
        for ($key = $base, $i = 2; isset($keys[$key]); $i++) {
            $key = "{$base}-{$i}";
        }
        $this->keys[$key] = self::SEVERAL;

        return $key;
    }

    /** @return array<string, int> */
    private function keys(): array
    {
        return $this->keys ??= self::pairs('select key, id from parts where shop_id = ?', $this->list->shop_id);
    }

    /** @return array<string, int> */
    private static function pairs(string $sql, int $of): array
    {
        $query = DB::connection()->getPdo()->prepare($sql);
        $query->execute([$of]);

        return array_map(intval(...), $query->fetchAll(PDO::FETCH_KEY_PAIR));
    }
}
