<?php

namespace App\Security;

/**
 * Codes of a second factor that follow the time: RFC 6238 over RFC 4226's HOTP, with SHA-1, six digits and steps of 30 s, which is what
 * every authenticator reads.
 */
final class Totp
{
    public const STEP = 30;

    public const DIGITS = 6;

    /** Bytes of a secret: RFC 4226 asks for 16 at least and likes 20. */
    private const BYTES = 20;

    /** A clock may be off by a step either way. */
    private const DRIFT = 1;

    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** A new secret in base 32 (RFC 4648), as authenticators take it. */
    public static function secret(): string
    {
        return self::encode(random_bytes(self::BYTES));
    }

    /**
     * The step whose code this is; null where it is none, or a step that was used before.
     *
     * @param  int  $after  the last step that was used
     */
    public static function stepOf(string $secret, string $code, int $time, int $after = 0): ?int
    {
        $now = intdiv($time, self::STEP);
        $found = null;
        foreach (range($now - self::DRIFT, $now + self::DRIFT) as $step) {
            // Every step is tried, so that the time taken tells nothing.
            if (hash_equals(self::at(self::decode($secret), $step), $code) && $step > $after) {
                $found = $step;
            }
        }

        return $found;
    }

    /**
     * The code of a step.
     *
     * @param  string  $key  raw bytes
     */
    public static function at(string $key, int $step, int $digits = self::DIGITS, string $algorithm = 'sha1'): string
    {
        $hash = hash_hmac($algorithm, pack('J', $step), $key, true);
        $offset = ord($hash[strlen($hash) - 1]) & 0x0F;
        /** @var array{1: int} $number */
        $number = unpack('N', substr($hash, $offset, 4));

        return str_pad((string) (($number[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    /** What an authenticator reads from a picture or a link. */
    public static function address(string $secret, string $account, string $issuer): string
    {
        return 'otpauth://totp/'.rawurlencode("{$issuer}:{$account}").'?'.http_build_query(['secret' => $secret, 'issuer' => $issuer, 'algorithm' => 'SHA1', 'digits' => self::DIGITS, 'period' => self::STEP], '', '&', PHP_QUERY_RFC3986);
    }

    public static function encode(string $bytes): string
    {
        $bits = '';
        foreach (str_split($bytes) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode('', array_map(fn (string $five): string => self::BASE32[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)));
    }

    /** @return string raw bytes; what is no base 32 is left out */
    public static function decode(string $secret): string
    {
        $bits = '';
        foreach (str_split(strtoupper($secret)) as $letter) {
            $value = strpos(self::BASE32, $letter);
            $bits .= $value === false ? '' : str_pad(decbin($value), 5, '0', STR_PAD_LEFT);
        }
        $bytes = '';
        foreach (str_split($bits, 8) as $eight) {
            $bytes .= strlen($eight) === 8 ? chr((int) bindec($eight)) : '';
        }

        return $bytes;
    }
}
