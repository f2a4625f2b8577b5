<?php

namespace App\Identity;

use Illuminate\Contracts\Auth\Factory;
use Illuminate\Database\ConnectionInterface;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\Request;
use SessionHandlerInterface;

/**
 * Sessions of people who are signed in, as rows; a visitor gets none. A row is named by the hash of its id, so that reading the table
 * lets nobody in, and one that was ended meanwhile is not written anew by a request that was under way.
 */
final class PeopleSessions implements SessionHandlerInterface
{
    private const AGENT = 300;

    /** @var array<string, bool> whether a row stood there when it was read, by name */
    private array $known = [];

    /**
     * @param  int  $idle  s without a request
     * @param  int  $absolute  s since the sign-in
     */
    public function __construct(private readonly ConnectionInterface $database, private readonly Factory $auth, private readonly Request $request, private readonly int $idle, private readonly int $absolute) {}

    /** What a session's row is called. */
    public static function name(string $id): string
    {
        return hash('sha256', $id);
    }

    public function open(string $path, string $name): bool
    {
        return true;
    }

    public function close(): bool
    {
        return true;
    }

    public function read(string $id): string
    {
        $name = self::name($id);
        $row = $this->rows()->where('id', $name)->where('last_activity', '>', time() - $this->idle)->where('began_at', '>', time() - $this->absolute)->value('payload');
        $this->known[$name] = is_string($row);

        return is_string($row) ? (string) base64_decode($row) : '';
    }

    public function write(string $id, string $data): bool
    {
        $name = self::name($id);
        $user = $this->auth->guard('web')->id();
        if ($user === null) {
            return true;
        }
        $row = [
            'user_id' => $user, 'payload' => base64_encode($data), 'last_activity' => time(),
            'ip_address' => $this->request->ip(), 'user_agent' => mb_substr(mb_scrub((string) $this->request->userAgent()), 0, self::AGENT),
        ];
        if ($this->known[$name] ?? false) {
            $this->rows()->where('id', $name)->update($row);
        } else {
            $this->rows()->insert([...$row, 'id' => $name, 'began_at' => time()]);
            $this->known[$name] = true;
        }

        return true;
    }

    public function destroy(string $id): bool
    {
        $this->rows()->where('id', self::name($id))->delete();

        return true;
    }

    public function gc(int $lifetime): int
    {
        return $this->rows()->where('last_activity', '<=', time() - $this->idle)->orWhere('began_at', '<=', time() - $this->absolute)->delete();
    }

    private function rows(): Builder
    {
        return $this->database->table('sessions')->useWritePdo();
    }
}
