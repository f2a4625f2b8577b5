<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\Models\LibraryEdit;
use App\Models\Platform;
use App\Models\User;
use Pebblerun\Core\Advice\Library\LibraryChange;
use Pebblerun\Core\Advice\Library\LibraryDifference;
use Pebblerun\Core\Report\Words\LibraryChangeWords;

/** How a platform's library stands after a change: the document that was changed, what is not published yet, who changed what. */
final class LibraryKept
{
    private const EDITS = 12;

    /**
     * @param  string  $subject  '' for the platform, or a part's key
     * @return array<string, mixed> valid against libraryKept of schemas/answers.json
     */
    public static function of(Platform $platform, string $subject, User $reader): array
    {
        $draft = DraftLibrary::of($platform, $reader->shop);

        return ['key' => $subject, 'document' => $draft->subject($subject), 'state' => self::state($platform, $draft, $reader)];
    }

    /** @return array<string, mixed> valid against libraryState of schemas/answers.json */
    public static function state(Platform $platform, DraftLibrary $draft, User $reader): array
    {
        $version = $platform->versions()->orderByDesc('number')->first();
        $edits = LibraryEdit::query()->with('author')->where('platform_id', $platform->id)->orderByDesc('number')->limit(self::EDITS)->get();

        return [
            'number' => $edits->first()->number ?? 0,
            'version' => $version?->number,
            'changes' => $version === null ? [] : self::changes($draft, DraftLibrary::published($version, $reader->shop), $reader),
            'edits' => array_values($edits->map(fn (LibraryEdit $edit): array => [
                'number' => $edit->number,
                'what' => $edit->subject === '' ? $platform->name : (string) ($edit->after['name'] ?? $edit->before['name'] ?? $edit->subject),
                'how' => match (true) {
                    $edit->undoes !== null => 'taken back',
                    $edit->before === null => 'added',
                    $edit->after === null => 'taken away',
                    isset($edit->after['retired']) && ! isset($edit->before['retired']) => 'retired',
                    default => 'changed',
                },
                'who' => $edit->author->name ?? '',
                'at' => $edit->created_at->toIso8601String(),
            ])->all()),
        ];
    }

    /** @return list<string> */
    private static function changes(DraftLibrary $draft, DraftLibrary $published, User $reader): array
    {
        $opened = $draft->opened();
        $words = new LibraryChangeWords(Reading::of($reader)->formatter($opened));
        $changes = (new LibraryDifference($published->opened()->bundle->catalog, $opened->bundle->catalog))->all();

        return array_map(fn (LibraryChange $change): string => $words->of($change), $changes);
    }
}
