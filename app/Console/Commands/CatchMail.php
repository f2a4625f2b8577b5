<?php

namespace App\Console\Commands;

use App\Mail\CaughtMessage;
use App\Models\CaughtMail;
use App\Models\Shop;
use App\Models\User;
use Illuminate\Console\Command;

/** A small stand-in for a mail server: it speaks as much of SMTP (RFC 5321) as a sender needs, on loopback, and keeps what it is given. */
final class CatchMail extends Command
{
    protected $signature = 'pebblerun:mail-catcher';

    protected $description = 'Takes the mail that the application sends and keeps it for a page; sends nothing on';

    /** s that a sender may take for a line. */
    private const PATIENCE = 10;

    /** Bytes of a message. */
    private const MOST = 1_000_000;

    public function handle(): int
    {
        $port = (int) config('mail.mailers.smtp.port');
        $server = @stream_socket_server("tcp://127.0.0.1:{$port}", $code, $fault);
        if ($server === false) {
            $this->error("It cannot listen on port {$port}: {$fault}. Set PEBBLERUN_MAIL_PORT to a free one.");

            return self::FAILURE;
        }
        // Until it is stopped.
        do {
            $sender = @stream_socket_accept($server, 3600.0);
            if ($sender !== false) {
                stream_set_timeout($sender, self::PATIENCE);
                $this->converse($sender);
                fclose($sender);
            }
        } while (is_resource($server));

        return self::SUCCESS;
    }

    /** @param  resource  $sender */
    private function converse($sender): void
    {
        $say = fn (string $line): int|false => fwrite($sender, "{$line}\r\n");
        $say('220 pebblerun takes mail and sends none on');
        $recipients = [];
        while (($line = fgets($sender, 2048)) !== false) {
            $word = strtoupper(strtok(trim($line), ' :') ?: '');
            match ($word) {
                'EHLO', 'HELO', 'NOOP' => $say('250 well'),
                // Each mail of a connection has recipients of its own.
                'MAIL', 'RSET' => [$recipients = [], $say('250 well')],
                'RCPT' => [$recipients[] = trim((string) strstr($line, '<'), "<> \r\n"), $say('250 well')],
                'DATA' => $this->keep($sender, $recipients, $say),
                'QUIT' => $say('221 goodbye'),
                default => $say('502 not here'),
            };
            if ($word === 'QUIT') {
                return;
            }
        }
    }

    /**
     * @param  resource  $sender
     * @param  list<string>  $recipients
     */
    private function keep($sender, array $recipients, callable $say): void
    {
        $say('354 go on');
        $message = '';
        while (($line = fgets($sender, 8192)) !== false && rtrim($line, "\r\n") !== '.' && strlen($message) < self::MOST) {
            $message .= str_starts_with($line, '..') ? substr($line, 1) : $line;
        }
        $caught = CaughtMessage::of($message);
        CaughtMail::create(['shop_id' => Shop::query()->whereKey($caught->shop)->value('id'), 'user_id' => User::query()->whereKey($caught->person)->value('id'), 'recipients' => mb_substr(implode(', ', $recipients), 0, 1000), 'subject' => $caught->subject, 'body' => $caught->body]);
        $say('250 kept');
    }
}
