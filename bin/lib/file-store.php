<?php

/**
 * A stand-in for a store of files that speaks S3, for trials and tests: objects by path, put, read, ask, list and delete, for whoever
 * knows the key's name.
 *
 *   STORE=folder STORE_KEY=name php -S 127.0.0.1:8849 bin/lib/file-store.php
 */
$folder = (string) getenv('STORE');
$path = ltrim(rawurldecode((string) parse_url((string) $_SERVER['REQUEST_URI'], PHP_URL_PATH)), '/');
$refuse = function (int $status, string $code): never {
    http_response_code($status);
    header('Content-Type: application/xml');
    echo "<?xml version=\"1.0\"?><Error><Code>{$code}</Code><Message>{$code}</Message></Error>";
    exit;
};
if (! str_contains((string) ($_SERVER['HTTP_AUTHORIZATION'] ?? ''), 'Credential='.getenv('STORE_KEY').'/')) {
    $refuse(403, 'AccessDenied');
}
if (preg_match('#(^|/)\.\.?(/|$)|\0#', $path) === 1) {
    $refuse(400, 'InvalidURI');
}
$file = "{$folder}/{$path}";
switch ($_SERVER['REQUEST_METHOD']) {
    case 'PUT':
        is_dir(dirname($file)) || mkdir(dirname($file), 0700, true);
        // It has its name once it is whole.
        $part = tempnam($folder, 'part');
        file_put_contents($part, fopen('php://input', 'rb'));
        rename($part, $file);
        header('ETag: "'.md5_file($file).'"');
        break;
    case 'GET':
    case 'HEAD':
        if (isset($_GET['list-type'])) {
            $bucket = "{$folder}/".explode('/', $path)[0];
            $keys = [];
            foreach (is_dir($bucket) ? new RecursiveIteratorIterator(new RecursiveDirectoryIterator($bucket, FilesystemIterator::SKIP_DOTS)) : [] as $one) {
                $key = substr((string) $one, strlen($bucket) + 1);
                if (str_starts_with($key, (string) ($_GET['prefix'] ?? ''))) {
                    $keys[$key] = '<Contents><Key>'.htmlspecialchars($key, ENT_XML1).'</Key><Size>'.filesize((string) $one).'</Size><LastModified>'.gmdate('Y-m-d\TH:i:s.000\Z', (int) filemtime((string) $one)).'</LastModified></Contents>';
                }
            }
            ksort($keys);
            header('Content-Type: application/xml');
            echo '<?xml version="1.0"?><ListBucketResult><IsTruncated>false</IsTruncated><KeyCount>'.count($keys).'</KeyCount>'.implode('', $keys).'</ListBucketResult>';
            break;
        }
        is_file($file) || $refuse(404, 'NoSuchKey');
        header('Content-Length: '.filesize($file));
        header('Last-Modified: '.gmdate('D, d M Y H:i:s', (int) filemtime($file)).' GMT');
        header('ETag: "'.md5_file($file).'"');
        $_SERVER['REQUEST_METHOD'] === 'HEAD' || readfile($file);
        break;
    case 'DELETE':
        is_file($file) && unlink($file);
        http_response_code(204);
        break;
    default:
        $refuse(405, 'MethodNotAllowed');
}
