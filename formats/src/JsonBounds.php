<?php

namespace Pebblerun\Formats;

/**
 * Looks at the bytes of a JSON text before anything decodes it: how deep it is nested, how many entries it has, how many of them one object
 * has, and whether its numbers are numbers. Keys of one object may all fall into one place of a decoder's table, which costs the square of
 * their number: with few of them in each object it costs nothing. What is no JSON at all is found by who decodes it.
 */
final readonly class JsonBounds
{
    /** Entries of one object; the largest of ours has a tenth. */
    private const KEYS = 400;

    /** Letters of one number. */
    private const LONGEST_NUMBER = 40;

    private function __construct(private int $depth, private int $entries) {}

    /** An edit of a plan, an answer of a brief, a platform. */
    public static function ofRequest(): self
    {
        return new self(24, 4_000);
    }

    /** A plan with everything it needs. */
    public static function ofFile(): self
    {
        return new self(32, 400_000);
    }

    /** What is too much, in a sentence; null for nothing. */
    public function fault(string $json): ?string
    {
        $most = strlen($json);
        $entries = $depth = 0;
        /** @var list<int> $keys of each object that is open */
        $keys = [0];
        for ($at = strcspn($json, '"[]{},:'); $at < $most; $at += 1 + $gap) {
            $mark = $json[$at];
            if ($mark === '"') {
                $at = self::endOfText($json, $at, $most);
            } elseif ($mark === '{' || $mark === '[') {
                $keys[++$depth] = 0;
            } elseif ($mark === ':') {
                $keys[$depth] = ($keys[$depth] ?? 0) + 1;
            } elseif ($mark === ',') {
                $entries++;
            } else {
                $entries += $keys[$depth] ?? 0;
                $depth = max(0, $depth - 1);
            }
            $gap = strcspn($json, '"[]{},:', $at + 1);
            $fault = match (true) {
                $depth > $this->depth => "This document is nested deeper than {$this->depth} levels.",
                ($keys[$depth] ?? 0) > self::KEYS => 'An object of this document has more than '.self::KEYS.' entries: no document of ours does.',
                $entries > $this->entries => "This document has more entries than {$this->entries}: send less at once.",
                $gap > 3 => self::faultOfNumber(substr($json, $at + 1, min($gap, 4096))),
                default => null,
            };
            if ($fault !== null) {
                return $fault;
            }
        }

        return null;
    }

    /** @return int place of the quote that ends the text which begins at one; the end of all where none does */
    private static function endOfText(string $json, int $at, int $most): int
    {
        do {
            $at++;
            $at += strcspn($json, '"\\', $at);
            $escaped = $at < $most && $json[$at] === '\\';
            $at += $escaped ? 1 : 0;
        } while ($escaped);

        return min($at, $most);
    }

    /** @param  string  $plain  what stands between two marks */
    private static function faultOfNumber(string $plain): ?string
    {
        $plain = trim($plain);
        $is = strlen($plain) > self::LONGEST_NUMBER || preg_match('/\d[eE]\+?\d{3}/', $plain) === 1;

        return $is ? '"'.mb_scrub(substr($plain, 0, 60)).'" is no number that can be worked with here.' : null;
    }
}
