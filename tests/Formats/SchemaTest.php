<?php

namespace Tests\Formats;

use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Folder;
use Pebblerun\Formats\InvalidDocument;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What the schemas of the open formats promise. */
final class SchemaTest extends TestCase
{
    private const SCHEMAS = __DIR__.'/../../schemas';

    public static function formats(): iterable
    {
        foreach (['brief', 'bundle', 'commands', 'defs', 'parts', 'plan', 'platform', 'shop'] as $format) {
            yield $format => [$format];
        }
    }

    /** A number without an end is memory without an end somewhere. */
    #[DataProvider('formats')]
    public function test_every_number_that_is_read_has_two_ends(string $format): void
    {
        $numbers = self::schemasOf(['number', 'integer'], json_decode((string) file_get_contents(self::SCHEMAS."/{$format}.json"), true), $format);
        foreach ($numbers as $path => $schema) {
            self::assertTrue(isset($schema['minimum']) || isset($schema['exclusiveMinimum']), "{$path} has no lowest value");
            self::assertTrue(isset($schema['maximum']) || isset($schema['exclusiveMaximum']), "{$path} has no highest value");
        }
        self::assertTrue($format !== 'defs' || count($numbers) > 60, 'the numbers were found');
    }

    /**
     * @param  list<string>  $types
     * @return array<string, array<string, mixed>> schemas of such values by their path
     */
    private static function schemasOf(array $types, array $schema, string $path): array
    {
        $found = in_array($schema['type'] ?? null, $types, true) ? [$path => $schema] : [];
        foreach ($schema as $key => $inner) {
            $found += is_array($inner) ? self::schemasOf($types, $inner, "{$path}.{$key}") : [];
        }

        return $found;
    }

    #[DataProvider('formats')]
    public function test_every_list_that_is_read_has_an_end(string $format): void
    {
        $lists = self::schemasOf(['array'], json_decode((string) file_get_contents(self::SCHEMAS."/{$format}.json"), true), $format);
        foreach ($lists as $path => $schema) {
            self::assertArrayHasKey('maxItems', $schema, $path);
        }
        self::assertTrue($format !== 'defs' || count($lists) > 30, 'the lists were found');
    }

    public static function beyond(): iterable
    {
        yield 'a redline of another world' => ['baseline', ['peaks' => ['lowest_rpm' => 1500, 'torque' => ['rpm' => 2500, 'value' => 220], 'power' => ['rpm' => 5800, 'value' => 210], 'redline' => 650_000_000]], '650000000 is too high: give 20000 or less.'];
        yield 'cubic centimetres for litres' => ['engine', ['displacement' => 1598, 'cylinders' => 3, 'aspiration' => 'turbo', 'injection' => 'direct', 'fuel' => 'petrol'], 'engine.displacement: 1598 is too high: give 25 or less.'];
        yield 'a cooler of nothing' => ['air', ['compressor_efficiency' => 0.7, 'cooler' => ['effectiveness' => 0.6, 'capacity_kj_k' => 0.1, 'ua_w_k' => 90]], 'air.cooler.capacity_kj_k: 0.1 is too low: give 0.5 or more.'];
    }

    #[DataProvider('beyond')]
    public function test_a_figure_beyond_belief_is_refused_with_what_would_do(string $key, array $value, string $words): void
    {
        $platform = (new Folder(__DIR__.'/../../demo', DocumentReader::standard()))->bundle('skarn-hill-commuter')['platform'];
        try {
            DocumentReader::standard()->section('platform', [...$platform, $key => $value]);
            self::fail('it was taken');
        } catch (InvalidDocument $fault) {
            self::assertStringContainsString($words, $fault->getMessage());
        }
    }
}
