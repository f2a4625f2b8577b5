<?php

namespace App\Models;

use Carbon\CarbonImmutable;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;

/**
 * A mail that the stand-in for a mail server took, of one shop. Its text lies encrypted.
 *
 * @property int $id
 * @property ?int $shop_id
 * @property ?int $user_id who it is to
 * @property string $recipients
 * @property string $subject
 * @property string $body
 * @property CarbonImmutable $caught_at
 */
final class CaughtMail extends Model
{
    private const LINK = '#https?://\S+/(?:password|sign-in/link)/\S+#';

    public const UPDATED_AT = null;

    public const CREATED_AT = 'caught_at';

    /**
     * A link lets whoever has it be its person: it is shown only to who has as much to say in the one shop that this person belongs to.
     */
    public function textFor(User $reader): string
    {
        $role = $this->user_id === null ? null : Membership::query()->where('shop_id', $reader->shop_id)->where('user_id', $this->user_id)->first()?->role;
        $own = $role !== null && $role->rank() <= (int) $reader->role()?->rank() && DB::scalar('select belongs_elsewhere(?, ?)', [$this->user_id, $reader->shop_id]) === false;

        return $own ? $this->body : (string) preg_replace(self::LINK, '(a link that is for its reader alone)', $this->body);
    }

    protected function casts(): array
    {
        return ['caught_at' => 'immutable_datetime', 'body' => 'encrypted'];
    }
}
