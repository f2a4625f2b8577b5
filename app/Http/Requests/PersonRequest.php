<?php

namespace App\Http\Requests;

use App\Models\User;
use Illuminate\Foundation\Http\FormRequest;

/** A request behind the sign-in: somebody made it. */
class PersonRequest extends FormRequest
{
    public function person(): User
    {
        $user = $this->user();
        assert($user instanceof User);

        return $user;
    }

    /** @return array<string, list<mixed>> of what is done once, however often it is sent */
    protected static function doneOnce(): array
    {
        return ['request' => ['required', 'string', 'regex:/^[0-9a-f-]{16,40}$/D']];
    }

    /**
     * A day up to today.
     *
     * @return list<mixed>
     */
    protected function pastDay(): array
    {
        return ['bail', 'required', 'string', 'date_format:Y-m-d', 'after:1990-01-01', "before_or_equal:{$this->person()->shop->today()}"];
    }

    /** Its own name; null where it gives none. */
    public function requestName(): ?string
    {
        return $this->string('request')->value() ?: null;
    }
}
