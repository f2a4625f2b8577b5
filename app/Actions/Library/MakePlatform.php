<?php

namespace App\Actions\Library;

use App\Assembly\DraftLibrary;
use App\Exceptions\Refused;
use App\Models\Platform;
use App\Models\Shop;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;
use Pebblerun\Core\Exchange\DocumentNode;
use Pebblerun\Core\Exchange\ShopReader;
use Pebblerun\Core\Job\Starting\NewPlatform;
use Pebblerun\Core\Units\UnitSystem;
use Pebblerun\Formats\DocumentReader;

/** A new platform: from a few answers, or as a sibling of one that the shop has. */
final readonly class MakePlatform
{
    public function __construct(private DocumentReader $reader, private PublishLibrary $publish) {}

    /** @param  array<string, mixed>  $answers  of NewPlatform, without the key */
    public function from(array $answers, User $author): Platform
    {
        return DB::transaction(function () use ($answers, $author): Platform {
            $platform = $this->begin((string) $answers['name'], $author);
            // @phpstan-ignore argument.type (the request has looked at every answer)
            $this->keep($platform, (new NewPlatform(UnitSystem::parse($author->shop->units), ShopReader::loss(new DocumentNode($author->shop->document))))->of([...$answers, 'key' => $platform->key]), [], $author);

            return $platform;
        });
    }

    /**
     * For a car that is here and that the library lacks: a job can be started on it at once.
     *
     * @param  array<string, mixed>  $answers  of NewPlatform, without the key
     */
    public function published(array $answers, User $author): Platform
    {
        return DB::transaction(function () use ($answers, $author): Platform {
            try {
                $platform = $this->from($answers, $author);
            } catch (Refused $refused) {
                throw ValidationException::withMessages(['platform' => $refused->getMessage()]);
            }
            $this->publish->publish($platform, 0, $author);

            return $platform;
        });
    }

    /** With the same parts, which stay parts of both. */
    public function sibling(Platform $of, string $name, User $author): Platform
    {
        return DB::transaction(function () use ($of, $name, $author): Platform {
            $draft = DraftLibrary::of($of, $author->shop);
            $platform = $this->begin($name, $author);
            $this->keep($platform, [...$draft->platform, 'key' => $platform->key, 'name' => $name], array_values($draft->parts), $author);

            return $platform;
        });
    }

    private function begin(string $name, User $author): Platform
    {
        Shop::holdLibrary($author->shop_id);
        $key = Str::limit(Str::slug($name), 60, '') ?: 'platform';
        if (Platform::query()->where('shop_id', $author->shop_id)->where(fn ($same) => $same->where('key', $key)->orWhereRaw('lower(name) = ?', [mb_strtolower($name)]))->exists()) {
            throw Refused::because("The shop has a platform \"{$name}\" already: give this one another name.");
        }

        return Platform::create(['shop_id' => $author->shop_id, 'key' => $key, 'name' => $name]);
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  list<array<string, mixed>>  $parts
     */
    private function keep(Platform $platform, array $document, array $parts, User $author): void
    {
        $draft = DraftLibrary::of($platform, $author->shop)->withPlatform($document);
        foreach ($parts as $part) {
            $draft = $draft->withPart((string) $part['key'], $part);
        }
        $draft->checked($this->reader, '');
        $writer = new LibraryWriter($author);
        $writer->platform($platform, $document);
        foreach ($parts as $place => $part) {
            $writer->part($platform, $part, $place + 1);
        }
    }
}
