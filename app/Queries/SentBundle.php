<?php

namespace App\Queries;

use App\Models\StageMark;
use Illuminate\Support\Facades\DB;

/** What left the house with a mark, to the letter. */
final class SentBundle
{
    /** @return string JSON, in the bundle format of its day */
    public static function of(StageMark $mark): string
    {
        return (string) (DB::table('sent_bundles')->where('stage_mark_id', $mark->id)->value('bundle') ?? abort(404));
    }
}
