<?php

namespace App\Assembly;

use App\Models\PlanRevision;
use Pebblerun\Core\Job\Commands\Description;
use Pebblerun\Core\Report\Words\ChangeWords;

/** What a revision did, as its row stores it: codes with parameters. Rows from before have only a label. */
final readonly class PlanChange
{
    /** @param  list<Description>  $did */
    public function __construct(public array $did) {}

    /** Undo, redo or restoring of an earlier revision's content. */
    public static function step(string $code, PlanRevision $content): self
    {
        return new self([new Description($code, ['number' => $content->number, 'what' => lcfirst(self::wordsOf($content))])]);
    }

    public static function wordsOf(PlanRevision $revision): string
    {
        return $revision->change === null ? (string) $revision->label : ChangeWords::of(array_map(Description::stored(...), $revision->change));
    }

    /** @return list<array{code: string, parameters: array<string, string|int|float|bool|null>}> */
    public function stored(): array
    {
        return array_map(fn (Description $one): array => $one->toArray(), $this->did);
    }
}
