<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Models\Platform;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** A platform: its document, the stock car's curve with the limits over it, and who uses it. */
final class PlatformPage
{
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
        ];
    }
}
