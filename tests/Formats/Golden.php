<?php

namespace Tests\Formats;

use PHPUnit\Framework\Assert;

/** A document kept apart as figures with codes, and as prose: words may change without moving a figure, and the other way about. */
final class Golden
{
    /** What is written for people. */
    private const PROSE = ['sentence', 'headline', 'detail', 'words', 'consequence', 'evidence', 'note', 'why', 'value', 'promise'];

    /** One unit of the last figure written: another processor may round it the other way. */
    private const FIGURE = 0.00011;

    private const CURVE = 0.11;

    /**
     * @param  array<array-key, mixed>  $document
     * @return array{array<array-key, mixed>, array<string, string>} figures and codes; texts by path
     */
    public static function split(array $document, string $path = ''): array
    {
        $figures = $prose = [];
        foreach ($document as $key => $value) {
            $here = is_int($key) ? "{$path}[{$key}]" : ltrim("{$path}.{$key}", '.');
            if (in_array($key, self::PROSE, true)) {
                foreach (is_array($value) ? $value : [$value] as $i => $text) {
                    $prose[is_array($value) ? "{$here}[{$i}]" : $here] = (string) $text;
                }
            } elseif (is_array($value)) {
                [$figures[$key], $below] = self::split($value, $here);
                $prose += $below;
            } else {
                $figures[$key] = $value;
            }
        }

        return [$figures, $prose];
    }

    /**
     * @param  array<array-key, mixed>  $kept
     * @param  array<array-key, mixed>  $now
     */
    public static function assertSame(array $kept, array $now, string $path = ''): void
    {
        Assert::assertSame(array_keys($kept), array_keys($now), "the fields of {$path}");
        foreach ($kept as $key => $value) {
            $here = "{$path}.{$key}";
            if (is_array($value)) {
                Assert::assertIsArray($now[$key], $here);
                self::assertSame($value, $now[$key], $here);
            } elseif (is_int($value) || is_float($value)) {
                Assert::assertEqualsWithDelta($value, $now[$key], str_contains($here, '.curve.') ? self::CURVE : self::FIGURE, $here);
            } else {
                Assert::assertSame($value, $now[$key], $here);
            }
        }
    }
}
