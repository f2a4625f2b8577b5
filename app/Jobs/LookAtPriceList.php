<?php

namespace App\Jobs;

use App\Assembly\PriceListFile;
use App\Assembly\PriceListLook;
use App\Models\PriceList;
use App\Models\Task;

/** Looks at a price list in the background. The subject is the list's id. */
final class LookAtPriceList extends TaskJob
{
    public const QUEUE = self::FILES;

    protected function steps(Task $task): iterable
    {
        $list = PriceList::query()->findOrFail($task->subject);
        $text = PriceListFile::text($list);
        $task->of = max(0, $text->lines() - 1);
        yield from PriceListLook::lines($list, $text);
    }
}
