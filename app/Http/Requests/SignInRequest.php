<?php

namespace App\Http\Requests;

use Illuminate\Foundation\Http\FormRequest;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Str;
use Illuminate\Validation\ValidationException;

final class SignInRequest extends FormRequest
{
    private const TRIES = 6;

    /** @return array<string, list<string>> */
    public function rules(): array
    {
        return ['email' => ['required', 'string', 'email', 'max:200'], 'password' => ['required', 'string', 'max:200']];
    }

    /** @throws ValidationException for a wrong pair, or too many tries. */
    public function authenticate(): void
    {
        $key = Str::lower($this->string('email')->value()).'|'.$this->ip();
        if (RateLimiter::tooManyAttempts($key, self::TRIES)) {
            throw ValidationException::withMessages(['email' => 'Too many tries. Wait '.RateLimiter::availableIn($key).' seconds and try again.']);
        }
        if (! Auth::attempt($this->only('email', 'password'))) {
            RateLimiter::hit($key);
            throw ValidationException::withMessages(['email' => 'This address and password do not belong together.']);
        }
        RateLimiter::clear($key);
    }
}
