<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Core\Report\LibraryDocument;
use Pebblerun\Core\Report\Words\ChoiceWords;
use stdClass;

/** The library as a shelf: platforms, and the parts of one of them in gas-path order. */
final class LibraryPage
{
    /**
     * @param  ?Platform  $platform  null for the first
     * @return array<string, mixed> valid against libraryPage of schemas/answers.json
     */
    public static function of(?Platform $platform, User $reader): array
    {
        $platforms = self::platforms($reader);
        $platform ??= Platform::query()->where('shop_id', $reader->shop_id)->orderBy('name')->first();
        $shown = $platform === null ? null : self::shown($platform, $reader);

        return ['shop' => $reader->shop->name, 'evidence' => ChoiceWords::evidence(), 'platforms' => $platforms, 'shown' => $shown, 'units' => LibraryOptions::units($reader->shop), 'templates' => PlatformTemplates::of($reader->shop)];
    }

    /** @return list<array<string, mixed>> */
    private static function platforms(User $reader): array
    {
        $rows = DB::select('select p.id, p.name, (select max(number) from library_versions v where v.platform_id = p.id) as version,
                (select count(*) from fitments f where f.platform_id = p.id and f.left_at is null) as parts
            from platforms p where p.shop_id = ? order by p.name', [$reader->shop_id]);

        return array_values(array_map(fn (stdClass $row): array => ['id' => $row->id, 'name' => $row->name, 'version' => $row->version, 'parts' => $row->parts], $rows));
    }

    /** @return array<string, mixed> */
    private static function shown(Platform $platform, User $reader): array
    {
        $draft = DraftLibrary::of($platform, $reader->shop);
        $opened = $draft->opened();
        $say = Reading::of($reader)->formatter($opened);
        $ids = DB::table('parts')->join('fitments', 'fitments.part_id', '=', 'parts.id')->where('fitments.platform_id', $platform->id)->pluck('parts.id', 'parts.key');
        $several = DB::table('fitments')->whereNull('left_at')->whereIn('part_id', $ids->values())->groupBy('part_id')->havingRaw('count(*) > 1')->selectRaw('part_id, count(*) as many')->pluck('many', 'part_id');
        $lanes = (new LibraryDocument($opened->bundle, $say, $reader->shop->today()))->lanes();
        foreach ($lanes as &$lane) {
            foreach ($lane['slots'] as &$slot) {
                $slot['parts'] = array_map(fn (array $part): array => ['id' => $ids[$part['key']], ...$part, 'platforms' => (int) ($several[$ids[$part['key']]] ?? 1)], $slot['parts']);
            }
        }

        return ['id' => $platform->id, 'name' => $platform->name, 'money' => $say->symbol(), 'lanes' => $lanes, 'state' => LibraryKept::state($platform, $draft, $reader)];
    }
}
