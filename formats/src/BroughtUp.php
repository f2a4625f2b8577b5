<?php

namespace Pebblerun\Formats;

use Pebblerun\Core\Exchange\BundleReader;

/** Documents of earlier versions, brought to the newest: an open format keeps its promises. */
final class BroughtUp
{
    /** Of each format that has had several. */
    public const NEWEST = ['bundle' => BundleReader::VERSION, 'brief' => 2, 'platform' => 2, 'parts' => 2];

    /** What a brief of version 1 called otherwise. */
    private const NAMES = ['came' => 'received', 'appetite' => 'risk', 'told' => 'warnings'];

    /** Version 1 had another word for it. */
    private const USUAL_RISK = 'usual';

    /** @param  object  $document  JSON decoded with objects; one that nobody knows is given back as it is */
    public static function of(string $format, object $document): object
    {
        $newest = self::NEWEST[$format] ?? null;
        $said = get_object_vars($document);
        $version = $said['version'] ?? null;
        if ($newest === null || ! is_int($version) || $version < 1 || $version >= $newest) {
            return $document;
        }
        $said['version'] = $newest;
        if ($version === 1 && is_object($said['brief'] ?? null)) {
            $said['brief'] = self::brief($said['brief']);
        }

        return (object) $said;
    }

    private static function brief(object $brief): object
    {
        $named = [];
        foreach (get_object_vars($brief) as $name => $value) {
            $named[self::NAMES[$name] ?? $name] = $name === 'appetite' && $value === self::USUAL_RISK ? 'normal' : $value;
        }

        return (object) $named;
    }
}
