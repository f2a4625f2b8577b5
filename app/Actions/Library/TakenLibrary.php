<?php

namespace App\Actions\Library;

use App\Assembly\Canonical;
use App\Models\LibraryVersion;
use App\Models\Platform;

/** What taking documents into the library changed. */
final readonly class TakenLibrary
{
    /**
     * @param  list<string>  $added  keys of parts
     * @param  list<string>  $changed
     * @param  list<string>  $gone
     * @param  int  $prices  parts with another price
     */
    private function __construct(public Platform $platform, public array $added, public array $changed, public array $gone, public int $unchanged, public int $prices, public LibraryVersion $version) {}

    /**
     * @param  list<array<string, mixed>>  $before
     * @param  list<array<string, mixed>>  $after
     * @param  list<string>  $gone
     */
    public static function between(Platform $platform, array $before, array $after, array $gone, int $prices, LibraryVersion $version): self
    {
        $was = array_map(Canonical::hash(...), array_column($before, null, 'key'));
        $is = array_map(Canonical::hash(...), array_column($after, null, 'key'));
        $both = array_intersect_key($is, $was);
        $changed = array_keys(array_filter($both, fn (string $hash, string $key): bool => $was[$key] !== $hash, ARRAY_FILTER_USE_BOTH));

        return new self($platform, array_keys(array_diff_key($is, $was)), $changed, $gone, count($both) - count($changed), $prices, $version);
    }

    /** @return array<string, mixed> valid against taken of schemas/answers.json */
    public function toArray(): array
    {
        return [
            'platform' => $this->platform->id, 'name' => $this->platform->name, 'version' => $this->version->number,
            'added' => $this->added, 'changed' => $this->changed, 'gone' => $this->gone, 'unchanged' => $this->unchanged, 'prices' => $this->prices,
        ];
    }
}
