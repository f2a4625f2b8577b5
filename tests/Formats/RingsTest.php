<?php

namespace Tests\Formats;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * No ring on any level: folders of one folder, and classes beside them, can be put in an order in which each uses only those before it.
 * Rows that point at each other (App\Models) are one thing, as their tables are.
 */
final class RingsTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    private const ONE_THING = ['App\Models'];

    /** @return iterable<string, array{string, string}> folder and its namespace */
    public static function sources(): iterable
    {
        yield 'core' => ['core/src', 'Pebblerun\Core'];
        yield 'formats' => ['formats/src', 'Pebblerun\Formats'];
        yield 'application' => ['app', 'App'];
    }

    #[DataProvider('sources')]
    public function test_nothing_uses_itself_by_a_detour(string $folder, string $namespace): void
    {
        $uses = self::uses(self::ROOT."/{$folder}", $namespace);
        self::assertGreaterThan(10, count($uses));
        self::assertSame([], self::rings($uses));
    }

    public function test_a_ring_is_found_on_whatever_level_it_is(): void
    {
        self::assertSame(['A: B C'], self::rings(['A\B\One' => ['A\C\Two'], 'A\C\Two' => ['A\D\Three'], 'A\C\Four' => ['A\B\One'], 'A\D\Three' => []]));
        self::assertSame(['A\B: One Two'], self::rings(['A\B\One' => ['A\B\Two'], 'A\B\Two' => ['A\B\One']]));
        self::assertSame(['A: B One'], self::rings(['A\One' => ['A\B\Two'], 'A\B\Two' => ['A\One']]));
        self::assertSame([], self::rings(['A\B\One' => ['A\C\Two'], 'A\C\Two' => ['A\C\Four'], 'A\C\Four' => []]));
    }

    /** @return array<string, list<string>> what each class names of the others */
    private static function uses(string $folder, string $namespace): array
    {
        $files = [];
        foreach (new \RecursiveIteratorIterator(new \RecursiveDirectoryIterator($folder, \FilesystemIterator::SKIP_DOTS)) as $file) {
            if ($file instanceof \SplFileInfo && $file->getExtension() === 'php') {
                $class = $namespace.'\\'.strtr(substr($file->getPathname(), strlen($folder) + 1, -4), '/', '\\');
                $files[$class] = (string) file_get_contents($file->getPathname());
            }
        }
        $uses = [];
        foreach ($files as $class => $code) {
            $uses[$class] = array_values(array_filter(self::named($class, $code), fn (string $name): bool => isset($files[$name]) && $name !== $class));
        }

        return $uses;
    }

    /** @return list<string> whole names of classes, as far as the code tells */
    private static function named(string $class, string $code): array
    {
        $here = substr($class, 0, (int) strrpos($class, '\\'));
        $names = [];
        $before = null;
        foreach (\PhpToken::tokenize($code) as $token) {
            if ($token->is([T_WHITESPACE, T_COMMENT, T_DOC_COMMENT])) {
                continue;
            }
            $isMember = $before?->is([T_OBJECT_OPERATOR, T_NULLSAFE_OBJECT_OPERATOR, T_DOUBLE_COLON, T_FUNCTION, T_CONST, T_NAMESPACE]) ?? false;
            if ($token->is([T_STRING, T_NAME_QUALIFIED]) && ! $isMember) {
                $names[] = $before?->is(T_USE) === true ? $token->text : "{$here}\\{$token->text}";
            }
            $token->is(T_NAME_FULLY_QUALIFIED) && $names[] = ltrim($token->text, '\\');
            // The last of several calls in a row names no class.
            $before = $token;
        }

        return array_values(array_unique($names));
    }

    /**
     * @param  array<string, list<string>>  $uses
     * @return list<string> "folder: those of it that use each other by a detour"
     */
    private static function rings(array $uses): array
    {
        $levels = [];
        foreach ($uses as $class => $others) {
            foreach ($others as $other) {
                [$level, $from, $to] = self::apart($class, $other);
                if (! in_array($level, self::ONE_THING, true)) {
                    $levels[$level][$from][$to] = true;
                }
            }
        }
        $rings = [];
        foreach ($levels as $level => $arrows) {
            $on = array_values(array_filter(array_keys($arrows), fn (string $one): bool => self::reaches($arrows, $one, $one)));
            sort($on);
            $on === [] || $rings[] = "{$level}: ".implode(' ', $on);
        }

        return $rings;
    }

    /** @return array{string, string, string} the folder that has both, and what of it each is in */
    private static function apart(string $one, string $other): array
    {
        [$a, $b] = [explode('\\', $one), explode('\\', $other)];
        for ($i = 0; $a[$i] === $b[$i]; $i++);

        return [implode('\\', array_slice($a, 0, $i)), $a[$i], $b[$i]];
    }

    /** @param  array<string, array<string, true>>  $arrows */
    private static function reaches(array $arrows, string $from, string $to): bool
    {
        $seen = [];
        $next = array_keys($arrows[$from] ?? []);
        while ($next !== []) {
            $here = array_pop($next);
            if ($here === $to) {
                return true;
            }
            if (! isset($seen[$here])) {
                $seen[$here] = true;
                array_push($next, ...array_keys($arrows[$here] ?? []));
            }
        }

        return false;
    }
}
