<?php

namespace App\Actions\Library;

use App\Actions\SpreadPrices;
use App\Assembly\Canonical;
use App\Assembly\CurrentPrices;
use App\Assembly\DraftLibrary;
use App\Assembly\PartKey;
use App\Assembly\PartUse;
use App\Exceptions\Refused;
use App\Models\LibraryEdit;
use App\Models\Part;
use App\Models\Platform;
use App\Models\Shop;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Fault;
use Pebblerun\Formats\InvalidDocument;

/**
 * Changes a platform or one of its parts in place. Rows follow at once; plans and new jobs see it when it is published. Every change
 * names what was seen, is kept with what stood before it, and can be taken back.
 */
final readonly class EditLibrary
{
    /** What of an entry is a figure that rests on evidence. */
    private const FIGURES = ['gains' => ['power', 'torque', 'over_rpm'], 'limits' => ['key', 'safe', 'edge', 'over_rpm']];

    private const PLACE_AT_END = 1_000_000;

    public function __construct(private DocumentReader $reader, private SpreadPrices $spread) {}

    /**
     * @param  string  $subject  empty for the platform, or a part's key
     * @param  ?array<string, mixed>  $document  in the open format, in the shop's units; null takes a part away that nothing uses
     * @param  int  $seen  the last change that its sender saw
     * @return ?LibraryEdit null where nothing differs
     */
    public function change(Platform $platform, string $subject, ?array $document, int $seen, User $author): ?LibraryEdit
    {
        return DB::transaction(function () use ($platform, $subject, $document, $seen, $author): ?LibraryEdit {
            Shop::holdLibrary($platform->shop_id);
            $this->mustBeSeen($platform, $subject, $seen);

            return $this->keep($platform, $subject, $document, $author);
        });
    }

    /**
     * @param  non-empty-list<Platform>  $platforms  added to all of them, or to none
     * @param  array<string, mixed>  $document  its key is made of maker and name; the same part of another platform keeps its own
     * @return LibraryEdit of the first platform
     */
    public function add(array $platforms, array $document, User $author): LibraryEdit
    {
        return DB::transaction(function () use ($platforms, $document, $author): LibraryEdit {
            $platform = $platforms[0];
            Shop::holdLibrary($platform->shop_id);
            $this->reader->section('part', ['key' => 'new', ...$document]);
            $key = $this->key($platform, (string) $document['maker'], (string) $document['name']);

            if (isset($document['price']) && ! isset($document['price']['as_of']) && ! Part::query()->where('shop_id', $platform->shop_id)->where('key', $key)->exists()) {
                $document['price']['as_of'] = $author->shop->today();
            }

            $document['key'] = $key;
            $added = $this->keep($platform, $key, $document, $author) ?? throw Refused::because('Nothing was added.');
            array_map(fn (Platform $other) => $this->addTo($other, $document, $author), array_slice($platforms, 1));

            return $added;
        });
    }

    /** @param  array<string, mixed>  $document */
    private function addTo(Platform $platform, array $document, User $author): void
    {
        try {
            DraftLibrary::of($platform, $author->shop)->subject($document['key']) === null || throw Refused::because("{$platform->name} has this part already.");

            $this->keep($platform, $document['key'], $document, $author);
        } catch (InvalidDocument $invalid) {
            throw new InvalidDocument(array_map(fn (Fault $fault): Fault => new Fault($fault->path, "{$platform->name}: {$fault->message}"), $invalid->faults));
        }
    }

    /** Takes one change back, where nobody has changed the same since. */
    public function undo(Platform $platform, int $number, User $author): ?LibraryEdit
    {
        return DB::transaction(function () use ($platform, $number, $author): ?LibraryEdit {
            Shop::holdLibrary($platform->shop_id);
            $edit = LibraryEdit::query()->where('platform_id', $platform->id)->where('number', $number)->firstOrFail();
            $this->mustBeSeen($platform, $edit->subject, $number);

            $before = $edit->before;
            if ($before !== null && $edit->subject !== '' && ! isset($before['price']['new'])) {
                // What a file changed is kept without money: that is today's.
                $before['price'] = [...(array) ($before['price'] ?? []), ...CurrentPrices::ofPart($platform->shop_id, $edit->subject)];
            }

            return $this->keep($platform, $edit->subject, $before, $author, $number);
        });
    }

    /** @param  ?array<string, mixed>  $document */
    private function keep(Platform $platform, string $subject, ?array $document, User $author, ?int $undoes = null): ?LibraryEdit
    {
        $draft = DraftLibrary::of($platform, $author->shop);
        $before = $draft->subject($subject);
        if ($subject !== '' && $before !== null && isset($document['price'])) {
            // What it costs is set by itself, with its day and source.
            $document['price'] = [...CurrentPrices::work($document), ...array_diff_key($before['price'], CurrentPrices::work($before))];
        }
        if ($before !== null && $document !== null && Canonical::hash($before) === Canonical::hash($document)) {
            return null;
        }
        if ($before !== null && $document !== null && $undoes === null) {
            $document = self::marked($document, $before);
        }
        if ($subject === '') {
            ($document['key'] ?? null) === $platform->key || throw Refused::because("A platform keeps its key: \"{$platform->key}\".");
            $draft->withPlatform((array) $document)->checked($this->reader, '');
            (new LibraryWriter($author))->platform($platform, (array) $document);
        } else {
            $this->part($platform, $draft, $subject, $document, $author);
        }

        return LibraryEdit::create(['platform_id' => $platform->id, 'number' => 1 + self::number($platform), 'subject' => $subject, 'before' => $before, 'after' => $document, 'undoes' => $undoes, 'author_id' => $author->id]);
    }

    /**
     * What somebody changes of a gain's or a limit's figures is set by hand from then on; what comes by the rule says so, and from what.
     *
     * @param  array<string, mixed>  $document  a part's or a platform's
     * @param  array<string, mixed>  $before
     * @return array<string, mixed>
     */
    private static function marked(array $document, array $before): array
    {
        foreach (self::FIGURES as $list => $names) {
            $figures = fn (array $entry): string => Canonical::hash(array_intersect_key($entry, array_flip($names)));
            $known = array_map($figures, $before[$list] ?? []);
            foreach ($document[$list] ?? [] as $at => $entry) {
                $same = self::same($before[$list] ?? [], $entry, $at);
                $byRule = ($entry['evidence']['set'] ?? null) === 'rule' && $entry['evidence'] !== ($same['evidence'] ?? null);
                if ($same !== null && ! $byRule && ! in_array($figures($entry), $known, true)) {
                    $document[$list][$at]['evidence']['set'] = 'hand';
                }
            }
        }

        return $document;
    }

    /**
     * What an entry was before: by its key, or by its place where it has none.
     *
     * @param  list<array<string, mixed>>  $before
     * @param  array<string, mixed>  $entry
     * @return ?array<string, mixed>
     */
    private static function same(array $before, array $entry, int $at): ?array
    {
        return isset($entry['key']) ? array_column($before, null, 'key')[$entry['key']] ?? null : $before[$at] ?? null;
    }

    /** @param  ?array<string, mixed>  $document */
    private function part(Platform $platform, DraftLibrary $draft, string $key, ?array $document, User $author): void
    {
        if ($document === null) {
            $uses = PartUse::of($platform, [$key]);
            $uses === [] || throw Refused::because(PartUse::sentence($uses).': retire it instead, and name the part that takes its place.');
            $draft->withPart($key, null)->checked($this->reader, '');
            (new LibraryWriter($author))->leave($platform, [$key]);

            return;
        }
        ($document['key'] ?? null) === $key || throw Refused::because("A part keeps its key: \"{$key}\".");
        $draft->withPart($key, $document)->checked($this->reader, $key);
        $place = array_search($key, array_keys($draft->parts), true);
        (new LibraryWriter($author))->part($platform, $document, is_int($place) ? $place + 1 : self::PLACE_AT_END + self::number($platform));
        $this->spread->of([(int) Part::query()->where('shop_id', $platform->shop_id)->where('key', $key)->value('id')]);
    }

    private function key(Platform $platform, string $maker, string $name): string
    {
        $same = Part::query()->where('shop_id', $platform->shop_id)->whereRaw('called = lower(?)', ["{$maker}\n{$name}"])
            ->whereNotIn('id', DB::table('fitments')->where('platform_id', $platform->id)->whereNull('left_at')->select('part_id'))->value('key');
        if (is_string($same)) {
            return $same;
        }

        return PartKey::of($platform->shop_id)->fresh($maker, $name);
    }

    private function mustBeSeen(Platform $platform, string $subject, int $seen): void
    {
        $seen <= self::number($platform) || throw Refused::because("This change says that it was made after change {$seen} of the library, which has ".self::number($platform).': open the page anew and make it again.');
        $later = LibraryEdit::query()->with('author')->where('platform_id', $platform->id)->where('subject', $subject)->where('number', '>', $seen)->orderByDesc('number')->first();
        if ($later !== null) {
            $who = $later->author->name ?? 'A file';
            throw Refused::conflict(['message' => "{$who} changed this at {$later->created_at->setTimezone($platform->shop->timeZone())->format('H:i')}, after you opened it. Nothing of theirs was overwritten: look at what it says now, and make your change on it.", 'theirs' => $later->after, 'number' => self::number($platform)]);
        }
    }

    public static function number(Platform $platform): int
    {
        return (int) LibraryEdit::query()->where('platform_id', $platform->id)->max('number');
    }
}
