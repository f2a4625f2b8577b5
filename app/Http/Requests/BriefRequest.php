<?php

namespace App\Http\Requests;

use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\InvalidDocument;

/** A brief comes whole, in the open format, and is held against its schema. */
final class BriefRequest extends RevisionRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            ...parent::rules(),
            'title' => ['required', 'string', 'max:120'],
            'customer' => ['required', 'string', 'max:120'],
            'brief' => ['required', 'array'],
        ];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws InvalidDocument
     */
    public function brief(): array
    {
        /** @var array<string, mixed> $brief */
        $brief = $this->input('brief');

        return DocumentReader::standard()->section('brief', $brief);
    }

    public function title(): string
    {
        return $this->string('title')->value();
    }

    public function customer(): string
    {
        return $this->string('customer')->value();
    }
}
