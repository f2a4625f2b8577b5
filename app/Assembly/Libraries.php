<?php

namespace App\Assembly;

use App\Models\LibraryVersion;

/**
 * The content of library versions. A version never changes, so each machine keeps it as a PHP array that opcache shares
 * between its workers; the file is named by the content's fingerprint and can be deleted at any time.
 */
final class Libraries
{
    /** @return array{platform: array<string, mixed>, parts: list<array<string, mixed>>} */
    public static function content(LibraryVersion $version): array
    {
        $file = storage_path("framework/cache/library-{$version->fingerprint}.php");
        if (! is_file($file)) {
            self::keep($file, self::load($version));
        }

        return require $file;
    }

    /**
     * @param  array<string, mixed>  $platform
     * @param  list<array<string, mixed>>  $parts
     */
    public static function fingerprint(array $platform, array $parts): string
    {
        return hash('xxh128', serialize([$platform, $parts]));
    }

    /** @return array{platform: mixed, parts: mixed} */
    private static function load(LibraryVersion $version): array
    {
        $row = LibraryVersion::query()->findOrFail($version->id);

        return ['platform' => $row->getAttribute('platform'), 'parts' => $row->getAttribute('parts')];
    }

    /** @param  array<string, mixed>  $content */
    private static function keep(string $file, array $content): void
    {
        $part = $file.'.'.getmypid();
        file_put_contents($part, '<?php return '.var_export($content, true).';');
        rename($part, $file);
    }
}
