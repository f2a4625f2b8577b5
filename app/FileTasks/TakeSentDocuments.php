<?php

namespace App\FileTasks;

use App\Actions\Library\TakeDocuments;
use App\Assembly\TaskFiles;
use App\Models\Shop;
use App\Models\Task;
use App\Models\User;

/** Takes a platform and its parts into the library, or says what that would change. The subject says which: {"dry"}. */
final class TakeSentDocuments extends FileTask
{
    public const KIND = 'documents';

    protected function done(Task $task): array
    {
        /** @var array{dry: bool} $subject */
        $subject = json_decode($task->subject, true);
        $shop = Shop::query()->findOrFail($task->shop_id);

        return app(TakeDocuments::class)->take($shop, TaskFiles::content($task, 'platform'), TaskFiles::content($task, 'parts'), $subject['dry'], User::query()->findOrFail($task->author_id))->toArray();
    }
}
