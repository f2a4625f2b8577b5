<?php

namespace App\Actions;

use App\Exceptions\Refused;
use App\Identity\Audit;
use App\Models\Shop;
use App\Models\ShopTerms;
use App\Models\User;
use App\Security\AuditEvent;
use DateTimeZone;
use Exception;
use finfo;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Exchange\DocumentNode;
use Pebblerun\Core\Exchange\ShopReader;
use Pebblerun\Core\Physics\Fuel\FuelKind;
use Pebblerun\Formats\DocumentReader;

/** What a shop charges, works with and writes on its papers, changed from a day on. What held before is kept. */
final readonly class ChangeShop
{
    /** Holds before anything was ever changed. */
    private const ALWAYS = '1970-01-01';

    private const LONGEST_LOGO = 200_000;

    public function __construct(private DocumentReader $reader, private Audit $audit, private SpreadPrices $spread) {}

    /**
     * @param  array<string, mixed>  $document  the shop format without its head
     * @param  array<string, mixed>  $papers
     * @param  string  $from  ISO 8601, today or later
     * @param  int  $seen  the last terms that the author saw; 0 for none
     */
    public function change(Shop $shop, array $document, array $papers, string $from, int $seen, User $author): void
    {
        $this->check($shop, $document, $papers);
        DB::transaction(function () use ($shop, $document, $papers, $from, $seen, $author): void {
            Shop::query()->whereKey($shop->id)->lockForUpdate()->firstOrFail();
            $this->mustBeSeen($shop, $seen);
            $this->mustKeepFuels($shop, $document);
            if ($seen === 0) {
                ShopTerms::forceCreate(['shop_id' => $shop->id, 'holds_from' => self::ALWAYS, 'document' => $shop->document, 'papers' => $shop->papers, 'author_id' => null, 'created_at' => now()]);
            }
            ShopTerms::forceCreate(['shop_id' => $shop->id, 'holds_from' => $from, 'document' => $document, 'papers' => $papers, 'author_id' => $author->id, 'created_at' => now()]);
            $shop->settle();
            $shop->wasChanged('document') && $this->spread->ofShop($shop);
            $this->audit->note(AuditEvent::ShopChanged, $author, ['holds from' => $from], $shop->id);
        });
    }

    /** Takes back what was to hold from a day that has not come. */
    public function drop(Shop $shop, ShopTerms $terms, User $author): void
    {
        DB::transaction(function () use ($shop, $terms, $author): void {
            Shop::query()->whereKey($shop->id)->lockForUpdate()->firstOrFail();
            $terms->holds_from > $shop->today() || throw Refused::because('These terms hold already: change them instead.');
            $terms->delete();
            $shop->settle();
            $shop->wasChanged('document') && $this->spread->ofShop($shop);
            $this->audit->note(AuditEvent::ShopChanged, $author, ['taken back' => $terms->holds_from], $shop->id);
        });
    }

    private function mustBeSeen(Shop $shop, int $seen): void
    {
        $last = ShopTerms::of($shop->id)->with('author')->orderByDesc('id')->first();
        if (($last->id ?? 0) !== $seen) {
            throw Refused::because(($last->author->name ?? 'Somebody').' changed the shop after you opened this page. Nothing of theirs was overwritten: open it anew and make your change on it.');
        }
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  array<string, mixed>  $papers
     */
    private function check(Shop $shop, array $document, array $papers): void
    {
        $this->reader->section('shop', $document);
        $papers === [] || $this->reader->section('papers', $papers);
        $document['currency'] === $shop->document['currency'] || throw Refused::because("Every price is in {$shop->document['currency']}: the currency stays.");
        self::mustBeAZone($document['time_zone'] ?? 'UTC');
        foreach ($document['dyno_factors'] ?? [] as $factor) {
            self::mustRise($factor['factor'], "{$factor['dyno']}, factor");
        }
        foreach ($document['fuels'] as $fuel) {
            self::mustRise($fuel['ethanol_percent'] ?? 0, "{$fuel['name']}, ethanol");
            ($fuel['kind'] ?? 'petrol') === 'diesel' || isset($fuel['octane']) || throw Refused::because("{$fuel['name']}: say its octane, or no map can be judged on it.");
        }
        $keys = array_column($document['fuels'], 'key');
        count($keys) === count(array_unique($keys)) || throw Refused::because('Two fuels have the same name: give one another.');
        foreach (FuelKind::cases() as $kind) {
            ShopReader::read(new DocumentNode($document), $kind);
        }
        self::mustBeAPicture($papers['logo'] ?? null);
    }

    /** @param  float|int|list<float|int>  $range */
    private static function mustRise(array|float|int $range, string $of): void
    {
        $sorted = $range;
        is_array($sorted) && sort($sorted);
        $sorted === $range || throw Refused::because("{$of}: write the lowest first and the highest last.");
    }

    private static function mustBeAZone(string $name): void
    {
        try {
            new DateTimeZone($name);
        } catch (Exception) {
            throw Refused::because("There is no time zone \"{$name}\".");
        }
    }

    private static function mustBeAPicture(mixed $logo): void
    {
        if ($logo === null) {
            return;
        }
        $sent = is_string($logo) && strlen($logo) <= self::LONGEST_LOGO && preg_match('#^data:image/(png|jpeg);base64,([A-Za-z0-9+/=]+)$#D', $logo, $found) === 1 ? (string) base64_decode($found[2], true) : '';
        $sent !== '' && in_array((new finfo(FILEINFO_MIME_TYPE))->buffer($sent), ['image/png', 'image/jpeg'], true) || throw Refused::because('The logo must be a PNG or JPEG picture of at most 150 kB.');
    }

    /**
     * What a plan or a brief has, and one for every kind of engine in the library.
     *
     * @param  array<string, mixed>  $document
     */
    private function mustKeepFuels(Shop $shop, array $document): void
    {
        $sold = array_map(fn (array $fuel): string => $fuel['kind'] ?? 'petrol', $document['fuels']);
        foreach (DB::table('platforms')->where('shop_id', $shop->id)->selectRaw("distinct document->'engine'->>'fuel' as fuel")->pluck('fuel') as $burned) {
            in_array($burned, $sold, true) || throw Refused::because("The library has {$burned} engines: name at least one {$burned} fuel.");
        }
        $gone = array_diff_key(array_column($shop->document['fuels'], 'name', 'key'), array_column($document['fuels'], 'name', 'key'));
        foreach ($gone as $key => $name) {
            $uses = DB::scalar('select count(distinct j.id) from customer_jobs j left join plans p on p.customer_job_id = j.id and p.deleted_at is null
                where j.shop_id = ? and (p.document @> ?::jsonb or j.brief @> ?::jsonb or j.brief @> ?::jsonb)',
                [$shop->id, json_encode(['stages' => [['fuel' => $key]]]), json_encode(['received' => ['fuel' => $key]]), json_encode(['fuels' => [$key]])]);
            $uses === 0 || throw Refused::because("{$name} is in ".($uses === 1 ? 'a job' : "{$uses} jobs").': a fuel stays while a plan or a brief has it.');
        }
    }
}
