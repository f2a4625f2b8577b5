<?php

namespace App\Assembly;

use App\Models\LibraryVersion;
use ParseError;

/**
 * The content of library versions with today's prices. Each machine keeps it as a PHP array that opcache shares between its workers;
 * the file is named by the fingerprint of figures and prices and can be deleted at any time.
 */
final class Libraries
{
    /** @return array{platform: array<string, mixed>, parts: list<array<string, mixed>>} */
    public static function content(LibraryVersion $version): array
    {
        $file = storage_path("framework/cache/library-{$version->fingerprint}.php");
        $kept = self::kept($file);
        if ($kept !== null) {
            return $kept;
        }
        $row = LibraryVersion::query()->findOrFail($version->id);
        $prices = CurrentPrices::of($row->platform_id);
        $content = ['platform' => $row->getAttribute('platform'), 'parts' => CurrentPrices::laidOver($row->getAttribute('parts'), $prices)];
        // A price may have changed since the version was looked up: what is read then is right, and has another name.
        if (in_array($version->fingerprint, [$row->content, CurrentPrices::fingerprint($row->content, $prices)], true)) {
            self::keep($file, $content);
        }

        return $content;
    }

    /**
     * What a file holds whole; one that was cut off is no file.
     *
     * @return ?array{platform: array<string, mixed>, parts: list<array<string, mixed>>}
     */
    private static function kept(string $file): ?array
    {
        try {
            // Asked for without a look first: it may go between the look and the reading.
            $kept = @include $file;
        } catch (ParseError) {
            $kept = null;
        }

        return is_array($kept) && isset($kept['platform'], $kept['parts']) ? $kept : null;
    }

    /**
     * Of figures alone.
     *
     * @param  array<string, mixed>  $platform
     * @param  list<array<string, mixed>>  $parts
     */
    public static function fingerprint(array $platform, array $parts): string
    {
        return hash('xxh128', serialize([$platform, $parts]));
    }

    /** @param  array<string, mixed>  $content */
    private static function keep(string $file, array $content): void
    {
        $part = $file.'.'.getmypid();
        $code = '<?php return '.var_export($content, true).';';
        // On a full disk less is written than was asked, or nothing: the content is read from the database then.
        if (@file_put_contents($part, $code) === strlen($code)) {
            rename($part, $file);
        } else {
            @unlink($part);
        }
    }
}
