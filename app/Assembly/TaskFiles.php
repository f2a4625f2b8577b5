<?php

namespace App\Assembly;

use App\Models\Task;
use Illuminate\Support\Facades\DB;

/** Files that a task in the background is to read: kept with it, and gone with its end. */
final class TaskFiles
{
    /** @param  array<string, string>  $files  bytes by name */
    public static function keep(string $task, array $files): void
    {
        foreach ($files as $name => $bytes) {
            DB::insert("insert into task_files (task_id, name, content) values (?, ?, decode(?, 'base64'))", [$task, $name, base64_encode($bytes)]);
        }
    }

    public static function content(Task $task, string $name): string
    {
        // A driver gives bytes as a stream.
        $content = DB::table('task_files')->where('task_id', $task->id)->where('name', $name)->value('content');

        return is_resource($content) ? (string) stream_get_contents($content) : (string) $content;
    }

    public static function forget(string $task): void
    {
        DB::table('task_files')->where('task_id', $task)->delete();
    }
}
