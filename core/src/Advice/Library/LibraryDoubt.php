<?php

namespace Pebblerun\Core\Advice\Library;

use Pebblerun\Core\Catalog\Limits\Limit;

/** Something in the library that is hard to believe; nobody is stopped by it. */
final readonly class LibraryDoubt
{
    /**
     * @param  string  $path  in the platform's document, or in the part's
     * @param  array<string, float|int|string>  $values  what the words need: shares, speeds in rpm, Pa, W a litre, names
     * @param  ?string  $part  key of the part that it is about; null for the platform
     */
    public function __construct(public LibraryDoubtCode $code, public string $path, public array $values = [], public ?string $part = null, public ?Limit $limit = null) {}
}
