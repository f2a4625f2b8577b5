<?php

namespace Pebblerun\Formats;

use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\CatalogCheck;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Exchange\OpenedBundle;

/** What strangers send: held against its schema, read by the core, checked as a whole. */
final readonly class DocumentReader
{
    public function __construct(private SchemaValidator $gate) {}

    public static function standard(): self
    {
        return new self(new SchemaValidator(dirname(__DIR__, 2).'/schemas'));
    }

    /**
     * A document of one format.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidDocument
     */
    public function document(string $format, string $file): array
    {
        $document = JsonFile::read($file);
        $this->gate->check("{$format}.json", $document);

        /** @var array<string, mixed> */
        return json_decode((string) json_encode($document), true);
    }

    /**
     * A part of a document that came by itself, such as a brief without its head.
     *
     * @param  array<string, mixed>  $section
     * @return array<string, mixed>
     *
     * @throws InvalidDocument
     */
    public function section(string $definition, array $section): array
    {
        $this->gate->check("defs.json#/\$defs/{$definition}", json_decode((string) json_encode($section)));

        return $section;
    }

    /** @throws InvalidDocument */
    public function bundle(string $file): OpenedBundle
    {
        return $this->open($this->document('bundle', $file));
    }

    /**
     * A decoded bundle whose parts have passed their schemas.
     *
     * @param  array<string, mixed>  $document
     *
     * @throws InvalidDocument
     */
    public function open(array $document): OpenedBundle
    {
        try {
            $opened = BundleReader::read($document);
        } catch (InvalidBundle $fault) {
            throw InvalidDocument::because($fault->path, $fault->fault);
        }
        $faults = array_map(fn (InvalidBundle $fault): Fault => new Fault($fault->path, $fault->fault), CatalogCheck::faults($opened->bundle->catalog));

        return $faults === [] ? $opened : throw new InvalidDocument($faults);
    }
}
