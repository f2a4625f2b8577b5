<?php

namespace Tests\Feature;

use App\Assembly\Libraries;
use App\Models\LibraryVersion;
use PHPUnit\Framework\Attributes\DataProvider;
use Tests\TestCase;

/** The content of a library version is kept as a file, which may be cut off, emptied or impossible to write. */
final class LibraryCacheTest extends TestCase
{
    private static function file(LibraryVersion $version): string
    {
        return storage_path("framework/cache/library-{$version->fingerprint}.php");
    }

    protected function tearDown(): void
    {
        $file = self::file($this->plan()->library);
        is_dir($file) ? rmdir($file) : @unlink($file);
        parent::tearDown();
    }

    public static function broken(): iterable
    {
        yield 'cut off in the middle' => ["<?php return array ( 'platform' => array ( 'key' =>"];
        yield 'cut off after the first part' => ["<?php return array ( 'platform' => array () );"];
        yield 'empty' => [''];
        yield 'something else' => ['words'];
    }

    #[DataProvider('broken')]
    public function test_a_file_that_is_not_whole_is_read_anew(string $text): void
    {
        $version = $this->plan()->library;
        $whole = Libraries::content($version);
        file_put_contents(self::file($version), $text);
        ob_start();
        self::assertEquals($whole, Libraries::content($version));
        ob_end_clean();
        self::assertEquals($whole, require self::file($version), 'and kept whole again');
    }

    public function test_where_nothing_can_be_written_the_database_answers(): void
    {
        $version = $this->plan()->library;
        $whole = Libraries::content($version);
        @unlink(self::file($version));
        // A folder in its place: neither written nor renamed to, as on a full disk.
        mkdir(self::file($version).'.'.getmypid());
        try {
            self::assertEquals($whole, Libraries::content($version));
            self::assertFileDoesNotExist(self::file($version));
        } finally {
            rmdir(self::file($version).'.'.getmypid());
        }
    }
}
