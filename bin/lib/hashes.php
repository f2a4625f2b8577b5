<?php

/**
 * Holds Composer's packages against their hashes, before anything of them runs: SHA-256 over the names and contents of each package's files.
 *
 *   php bin/lib/hashes.php check|write [FOLDER, else vendor]      packages.sha256 has a line for each: name, version, hash
 */
[, $what, $vendor] = [...$argv, '', ''];
$vendor = $vendor === '' ? dirname(__DIR__, 2).'/vendor' : $vendor;
$list = dirname(__DIR__, 2).'/packages.sha256';
$installed = json_decode((string) file_get_contents("{$vendor}/composer/installed.json"), true)['packages'] ?? [];

$hash = function (string $folder): string {
    $files = [];
    $found = new RecursiveIteratorIterator(new RecursiveDirectoryIterator($folder, FilesystemIterator::SKIP_DOTS));
    foreach ($found as $file) {
        $files[substr($file->getPathname(), strlen($folder) + 1)] = is_link($file->getPathname()) ? 'link '.readlink($file->getPathname()) : hash_file('sha256', $file->getPathname());
    }
    ksort($files, SORT_STRING);

    return hash('sha256', implode("\n", array_map(fn (string $name, string $sum): string => "{$sum}  {$name}", array_keys($files), $files)));
};
$lines = [];
foreach ($installed as $package) {
    $lines[] = "{$package['name']} {$package['version']} ".$hash("{$vendor}/{$package['name']}");
}
sort($lines);
if ($what === 'write') {
    file_put_contents($list, implode("\n", $lines)."\n");
    exit(0);
}
$known = file($list, FILE_IGNORE_NEW_LINES) ?: [];
$wrong = [...array_diff($lines, $known), ...array_diff($known, $lines)];
if ($wrong !== []) {
    fwrite(STDERR, "These packages are not what packages.sha256 says:\n  ".implode("\n  ", array_unique(array_map(fn (string $line): string => explode(' ', $line)[0], $wrong)))."\n");
    exit(1);
}
