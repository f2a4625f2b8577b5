<?php

namespace App\Exceptions;

use RuntimeException;

/** A change that will not be done, with all that its sender is told. */
final class Refused extends RuntimeException
{
    /** @param  array<string, mixed>  $answer  with a message */
    public function __construct(public readonly int $status, public readonly array $answer)
    {
        parent::__construct((string) $answer['message']);
    }

    public static function because(string $message): self
    {
        return new self(422, ['message' => $message]);
    }

    /** @param  array<string, mixed>  $answer  valid against conflict of schemas/answers.json */
    public static function conflict(array $answer): self
    {
        return new self(409, $answer);
    }

    public static function reused(string $request): self
    {
        return self::because("The request \"{$request}\" was used for another change: send this one under a name of its own.");
    }
}
