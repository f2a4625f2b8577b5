<?php

namespace Database\Seeders;

use Illuminate\Database\Seeder;
use Illuminate\Support\Facades\DB;

/** Thousands of parts of suppliers on no platform, with a price each, for measuring. */
final class ManyParts extends Seeder
{
    private const MAKERS = ['Fjellvent', 'Kolvane', 'Brimstall', 'Tarnstone', 'Orsken', 'Pellaworks', 'Nullarc', 'Hollinwick'];

    private const THINGS = ['filter', 'hose', 'clamp', 'gasket', 'cooler', 'downpipe', 'pump', 'injector', 'sensor', 'bracket', 'mount', 'pipe', 'clutch plate', 'pad', 'line', 'cover'];

    public function run(?int $count = null): void
    {
        $count ??= (int) (getenv('PEBBLERUN_MANY') ?: 50_000);
        DB::insert("insert into parts (shop_id, key, maker, name, document, created_at, updated_at)
            select s.id, 'many-' || n, (?::text[])[1 + n % ?], (?::text[])[1 + (n / 7) % ?] || ' ' || (20 + n % 97) || ' mm no. ' || n, '{}', now(), now()
            from (select id from shops order by id limit 1) s, generate_series(1, ?) n on conflict do nothing",
            ['{'.implode(',', self::MAKERS).'}', count(self::MAKERS), '{"'.implode('","', self::THINGS).'"}', count(self::THINGS), $count]);
        DB::insert("insert into prices (part_id, as_of, money, created_at) select id, current_date, jsonb_build_object('new', 10 + id % 900), now() from parts where key like 'many-%' and not exists (select from prices p where p.part_id = parts.id)");
        DB::statement('analyze parts, prices');
    }
}
