<?php

namespace Tests\Feature;

use App\Security\Totp;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Source: RFC 6238, appendix B, and RFC 4226, appendix D. */
final class TotpTest extends TestCase
{
    /** @return iterable<string, array{int, string, string}> */
    public static function vectors(): iterable
    {
        foreach ([
            59 => ['94287082', '46119246', '90693936'], 1111111109 => ['07081804', '68084774', '25091201'], 1111111111 => ['14050471', '67062674', '99943326'],
            1234567890 => ['89005924', '91819424', '93441116'], 2000000000 => ['69279037', '90698825', '38618901'], 20000000000 => ['65353130', '77737706', '47863826'],
        ] as $time => $codes) {
            foreach (['sha1', 'sha256', 'sha512'] as $i => $algorithm) {
                yield "{$algorithm} at {$time}" => [$time, $algorithm, $codes[$i]];
            }
        }
    }

    #[DataProvider('vectors')]
    public function test_the_vectors_of_the_rfc(int $time, string $algorithm, string $code): void
    {
        $key = substr(str_repeat('1234567890', 7), 0, ['sha1' => 20, 'sha256' => 32, 'sha512' => 64][$algorithm]);
        self::assertSame($code, Totp::at($key, intdiv($time, 30), 8, $algorithm));
    }

    public function test_hotp_of_the_rfc(): void
    {
        $codes = ['755224', '287082', '359152', '969429', '338314', '254676', '287922', '162583', '399871', '520489'];
        self::assertSame($codes, array_map(fn (int $count): string => Totp::at('12345678901234567890', $count), range(0, 9)));
    }

    public function test_a_code_is_good_a_step_around_and_once(): void
    {
        $secret = Totp::secret();
        $now = 1_764_000_015;
        $step = intdiv($now, 30);
        $code = Totp::at(Totp::decode($secret), $step);
        self::assertSame($step, Totp::stepOf($secret, $code, $now));
        self::assertSame($step, Totp::stepOf($secret, $code, $now + 30));
        self::assertNull(Totp::stepOf($secret, $code, $now + 90));
        self::assertNull(Totp::stepOf($secret, $code, $now, $step), 'used before');
        self::assertNull(Totp::stepOf($secret, '', $now));
    }

    public function test_base_32_goes_back(): void
    {
        self::assertSame('MZXW6YTBOI', Totp::encode('foobar'), 'RFC 4648, section 10, without its padding');
        for ($i = 0; $i < 20; $i++) {
            $bytes = random_bytes(20);
            self::assertSame($bytes, Totp::decode(Totp::encode($bytes)));
        }
        self::assertStringContainsString('secret=MZXW6YTBOI&issuer=Pebblerun', Totp::address('MZXW6YTBOI', 'ines@saltmarsh.test', 'Pebblerun'));
    }
}
