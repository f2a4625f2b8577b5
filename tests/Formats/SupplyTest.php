<?php

namespace Tests\Formats;

use PHPUnit\Framework\TestCase;

/** What comes from others is pinned and checked by its hash, and no secret is among the files. Rules that need no network. */
final class SupplyTest extends TestCase
{
    private const ROOT = __DIR__.'/../..';

    private const EXACT = '/^v?\d+\.\d+(\.\d+){0,2}$/';

    /** Keys and tokens, as they look. */
    private const SECRETS = '/-----BEGIN (?:RSA |EC |OPENSSH |DSA )?PRIVATE KEY-----|AKIA[0-9A-Z]{16}|gh[pousr]_[A-Za-z0-9]{36}|xox[baprs]-[A-Za-z0-9-]{10,}|APP_KEY=base64:[A-Za-z0-9+\/]{40,}=|eyJhbGciOi[A-Za-z0-9_-]{20,}\./';

    /** @return array<string, mixed> */
    private static function json(string $file): array
    {
        return json_decode((string) file_get_contents(self::ROOT."/{$file}"), true, 512, JSON_THROW_ON_ERROR);
    }

    public function test_every_package_is_pinned_to_one_version(): void
    {
        $loose = [];
        foreach ([...(self::json('package.json')['devDependencies'] ?? []), ...(self::json('package.json')['dependencies'] ?? [])] as $name => $version) {
            preg_match(self::EXACT, $version) === 1 || $loose[] = "{$name} {$version}";
        }
        $composer = self::json('composer.json');
        foreach ([...$composer['require'], ...$composer['require-dev']] as $name => $version) {
            preg_match('/^(php$|ext-)/', $name) === 1 || preg_match(self::EXACT, $version) === 1 || $loose[] = "{$name} {$version}";
        }
        foreach (file(self::ROOT.'/pins.txt', FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: [] as $pin) {
            preg_match(self::EXACT, explode(':', $pin)[1] ?? '') === 1 || $loose[] = $pin;
        }
        self::assertSame([], $loose);
    }

    public function test_every_npm_package_is_held_against_its_hash_and_runs_nothing_unasked(): void
    {
        $lock = self::json('package-lock.json')['packages'];
        $unchecked = array_filter($lock, fn (array $package, string $name): bool => $name !== '' && ! isset($package['link']) && ! isset($package['inBundle']) && preg_match('/^sha512-/', $package['integrity'] ?? '') !== 1, ARRAY_FILTER_USE_BOTH);
        self::assertSame([], array_keys($unchecked));
        self::assertGreaterThan(100, count($lock));
    }

    public function test_every_php_package_is_held_against_its_hash_before_it_runs(): void
    {
        $listed = file(self::ROOT.'/packages.sha256', FILE_IGNORE_NEW_LINES) ?: [];
        $installed = array_map(fn (array $package): string => "{$package['name']} {$package['version']}", self::json('vendor/composer/installed.json')['packages']);
        $known = array_map(fn (string $line): string => implode(' ', array_slice(explode(' ', $line), 0, 2)), $listed);
        self::assertEqualsCanonicalizing($installed, $known);
        self::assertSame([], array_filter($listed, fn (string $line): bool => preg_match('/ [0-9a-f]{64}$/', $line) !== 1));

        $copy = sys_get_temp_dir().'/pebblerun-packages-'.bin2hex(random_bytes(4));
        mkdir("{$copy}/vendor/composer", 0700, true);
        $one = array_values(array_filter(self::json('vendor/composer/installed.json')['packages'], fn (array $package): bool => $package['name'] === 'psr/clock'));
        file_put_contents("{$copy}/vendor/composer/installed.json", json_encode(['packages' => $one]));
        exec('cp -r '.escapeshellarg(self::ROOT.'/vendor/psr').' '.escapeshellarg("{$copy}/vendor/psr"));
        $wrong = function () use ($copy): string {
            exec(escapeshellarg(PHP_BINARY).' '.escapeshellarg(self::ROOT.'/bin/lib/hashes.php').' check '.escapeshellarg("{$copy}/vendor").' 2>&1', $said);

            return implode(' ', $said);
        };
        self::assertStringNotContainsString('psr/clock', $wrong());
        file_put_contents("{$copy}/vendor/psr/clock/src/ClockInterface.php", ' ', FILE_APPEND);
        self::assertStringContainsString('psr/clock', $wrong());
        exec('rm -rf '.escapeshellarg($copy));
    }

    public function test_no_secret_is_among_the_files(): void
    {
        exec('cd '.escapeshellarg(self::ROOT).' && git ls-files -z 2>/dev/null | tr "\0" "\n"', $files);
        self::assertGreaterThan(300, count($files), 'the files of the project are known to git');
        $found = [];
        foreach ($files as $file) {
            $path = self::ROOT."/{$file}";
            if ($file !== 'tests/Formats/SupplyTest.php' && is_file($path) && filesize($path) < 2_000_000 && preg_match(self::SECRETS, (string) file_get_contents($path)) === 1) {
                $found[] = $file;
            }
        }
        self::assertSame([], $found);
        self::assertSame([], array_values(array_filter($files, fn (string $file): bool => preg_match('#(^|/)(\.env|settings\.env|keys\.env|.*\.(pem|key|p12))$#', $file) === 1)));
    }
}
