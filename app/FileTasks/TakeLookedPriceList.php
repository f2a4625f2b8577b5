<?php

namespace App\FileTasks;

use App\Actions\PriceLists\TakePriceList;
use App\Models\PriceList;
use App\Models\Task;

/** Takes a price list in that was looked at. The subject says which: {"list", "leave_out"}. */
final class TakeLookedPriceList extends FileTask
{
    public const KIND = PriceList::TAKING;

    protected function done(Task $task): array
    {
        /** @var array{list: string, leave_out: bool} $subject */
        $subject = json_decode($task->subject, true);
        app(TakePriceList::class)->take(PriceList::query()->where('shop_id', $task->shop_id)->findOrFail($subject['list']), $subject['leave_out']);

        return ['list' => $subject['list']];
    }
}
