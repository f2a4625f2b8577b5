<?php

namespace App\Mail;

/** A message as it came over the line, to be read: its subject and its text. */
final readonly class CaughtMessage
{
    private function __construct(public string $subject, public string $body, public ?int $shop, public ?int $person) {}

    public static function of(string $raw): self
    {
        [$head, $body] = [...explode("\r\n\r\n", $raw, 2), ''];
        $headers = @iconv_mime_decode_headers($head, ICONV_MIME_DECODE_CONTINUE_ON_ERROR, 'UTF-8') ?: [];
        $encoding = strtolower(self::one($headers['Content-Transfer-Encoding'] ?? ''));
        $text = match ($encoding) {
            'quoted-printable' => quoted_printable_decode($body),
            'base64' => (string) base64_decode($body),
            default => $body,
        };

        $number = fn (string $name): ?int => ctype_digit($said = self::one($headers[$name] ?? '')) && strlen($said) < 19 ? (int) $said : null;

        return new self(mb_substr(self::clean(self::one($headers['Subject'] ?? '')), 0, 400), self::clean(str_replace("\r\n", "\n", $text)), $number('X-Pebblerun-Shop'), $number('X-Pebblerun-Person'));
    }

    /** @param  string|list<string>  $header */
    private static function one(string|array $header): string
    {
        return is_array($header) ? (string) end($header) : $header;
    }

    private static function clean(string $text): string
    {
        return (string) preg_replace('/[^\P{Cc}\t\n]/u', '', mb_scrub($text));
    }
}
