<?php

namespace App\Archive;

use Closure;
use RuntimeException;

/**
 * Writes a ZIP archive (APPNOTE 6.3) piece by piece as its entries come, so that nothing of it lies anywhere before it is sent: sizes and
 * checksums stand behind each entry, in its data descriptor. Up to 4 GB.
 */
final class ZipWriter
{
    private const MOST = 0xFFFFFFFF;

    /** Deflated, sizes behind the data, names in UTF-8. */
    private const FLAGS = 0x0808;

    private const DEFLATED = 8;

    private const VERSION = 20;

    /** 1 January 1980: the same content gives the same bytes. */
    private const DAY = 0x21;

    private int $at = 0;

    /** @var list<string> of the central directory */
    private array $entries = [];

    /** @param  Closure(string): mixed  $write */
    public function __construct(private readonly Closure $write) {}

    /**
     * @param  iterable<string>  $pieces
     * @return string SHA-256 of the content
     */
    public function add(string $name, iterable $pieces): string
    {
        $begins = $this->at;
        $deflate = deflate_init(ZLIB_ENCODING_RAW, ['level' => 5]) ?: throw new RuntimeException('zlib does not work here.');
        $crc = hash_init('crc32b');
        $sum = hash_init('sha256');
        [$size, $packed] = [0, 0];
        $this->put(pack('VvvvvvVVVvv', 0x04034B50, self::VERSION, self::FLAGS, self::DEFLATED, 0, self::DAY, 0, 0, 0, strlen($name), 0).$name);
        foreach ($pieces as $piece) {
            hash_update($crc, $piece);
            hash_update($sum, $piece);
            $size += strlen($piece);
            $packed += $this->put((string) deflate_add($deflate, $piece, ZLIB_NO_FLUSH));
        }
        $packed += $this->put((string) deflate_add($deflate, '', ZLIB_FINISH));
        $check = (int) hexdec(hash_final($crc));
        $this->put(pack('VVVV', 0x08074B50, $check, $packed, $size));
        $this->entries[] = pack('VvvvvvvVVVvvvvvVV', 0x02014B50, self::VERSION, self::VERSION, self::FLAGS, self::DEFLATED, 0, self::DAY, $check, $packed, $size, strlen($name), 0, 0, 0, 0, 0, $begins).$name;

        return hash_final($sum);
    }

    public function end(): void
    {
        $begins = $this->at;
        $directory = implode('', $this->entries);
        $this->put($directory);
        $this->put(pack('VvvvvVVv', 0x06054B50, 0, 0, count($this->entries), count($this->entries), strlen($directory), $begins, 0));
    }

    private function put(string $bytes): int
    {
        $this->at += strlen($bytes);
        $this->at <= self::MOST || throw new RuntimeException('This archive would be larger than 4 GB.');
        $bytes === '' || ($this->write)($bytes);

        return strlen($bytes);
    }
}
