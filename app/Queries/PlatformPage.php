<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use stdClass;

/** A platform: its document, the stock car's curve with the limits over it, and who uses it. */
final class PlatformPage
{
    private const USES = 'select j.id as job, j.title, p.id as plan, v.number from plans p join customer_jobs j on j.id = p.customer_job_id join cars c on c.id = j.car_id join library_versions v on v.id = p.library_version_id
        where c.platform_id = ? and p.deleted_at is null order by j.updated_at desc, p.id desc limit ?';

    private const MOST = 100;

    /** @return array<string, mixed> valid against platformPage of schemas/answers.json */
    public static function of(Platform $platform, User $reader): array
    {
        $draft = DraftLibrary::of($platform, $reader->shop);

        return [
            'platform' => ['id' => $platform->id, 'name' => $platform->name],
            'document' => $draft->platform,
            'state' => LibraryKept::state($platform, $draft, $reader),
            'look' => (new LibraryLook($draft, $reader))->kept(''),
            'options' => LibraryOptions::of($draft, $reader),
            'jobs' => DB::table('customer_jobs')->join('cars', 'cars.id', '=', 'customer_jobs.car_id')->where('cars.platform_id', $platform->id)->count(),
            'uses' => array_map(fn (stdClass $row): array => ['job' => $row->job, 'title' => $row->title, 'plan' => $row->plan, 'version' => $row->number], DB::select(self::USES, [$platform->id, self::MOST])),
        ];
    }
}
