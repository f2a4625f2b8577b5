<?php

namespace App\Http\Requests;

/** A plan with everything it needs, as a file in the open format, and in the address whose job it is to be. */
final class BundleRequest extends PersonRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return ['customer' => ['required', 'string', 'max:120'], 'title' => ['required', 'string', 'max:120']];
    }

    /** @return array<string, string> */
    public function files(): array
    {
        return ['bundle' => (string) $this->getContent()];
    }

    public function subject(): string
    {
        return json_encode(['customer' => $this->string('customer')->value(), 'title' => $this->string('title')->value(), 'sum' => hash('xxh128', (string) $this->getContent())], JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE);
    }
}
