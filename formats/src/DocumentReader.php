<?php

namespace Pebblerun\Formats;

use Pebblerun\Core\Evaluation\Baseline\BaselineCheck;
use Pebblerun\Core\Evaluation\PlannedStages;
use Pebblerun\Core\Exchange\BundleReader;
use Pebblerun\Core\Exchange\CatalogCheck;
use Pebblerun\Core\Exchange\InvalidBundle;
use Pebblerun\Core\Exchange\OpenedBundle;
use Pebblerun\Core\Job\Commands\Commands;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\BaselineWords;

/** What strangers send: held against its schema, read by the core, checked as a whole. */
final readonly class DocumentReader
{
    public function __construct(private SchemaValidator $schemas) {}

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
        return $this->checked($format, JsonFile::read($file));
    }

    /**
     * The same as a text.
     *
     * @return array<string, mixed>
     *
     * @throws InvalidDocument
     */
    public function text(string $format, string $text): array
    {
        return $this->checked($format, JsonFile::decode($text));
    }

    /** @return array<string, mixed> */
    private function checked(string $format, object $document): array
    {
        $document = BroughtUp::of($format, $document);
        $this->schemas->check("{$format}.json", $document);

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
        $this->schemas->check("defs.json#/\$defs/{$definition}", json_decode((string) json_encode($section)));

        return $section;
    }

    /**
     * Commands as they were sent, each held against the schema of its own "do": errors of alternatives say nothing.
     *
     * @param  mixed  $sent  JSON decoded with objects
     * @return non-empty-list<array<string, mixed>>
     *
     * @throws InvalidDocument
     */
    public function commands(mixed $sent): array
    {
        $faults = [];
        foreach (is_array($sent) ? $sent : [] as $i => $command) {
            array_push($faults, ...$this->commandFaults($command, "commands[{$i}]"));
        }
        if (! is_array($sent) || $sent === []) {
            $faults[] = new Fault('commands', 'must be a list with at least one command.');
        }

        /** @var non-empty-list<array<string, mixed>> */
        return $faults === [] ? json_decode((string) json_encode($sent), true) : throw new InvalidDocument($faults);
    }

    /** @return list<Fault> */
    private function commandFaults(mixed $command, string $path): array
    {
        $do = is_object($command) && is_string($command->do ?? null) ? $command->do : '';
        if (! isset(Commands::all()[$do])) {
            return [new Fault("{$path}.do", "\"{$do}\" is no command: use one of ".implode(', ', array_keys(Commands::all())).'.')];
        }
        try {
            $this->schemas->checkAgainst(Commands::schemaOf(Commands::all()[$do]), $command);
        } catch (InvalidDocument $invalid) {
            return array_map(fn (Fault $fault): Fault => new Fault(rtrim("{$path}.{$fault->path}", '.'), $fault->message), $invalid->faults);
        }

        return [];
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

        $faults === [] || throw new InvalidDocument($faults);
        self::mustBeThisCar($opened);

        return $opened;
    }

    /** @throws InvalidDocument where the baseline cannot be this car's. */
    private static function mustBeThisCar(OpenedBundle $opened): void
    {
        $bundle = $opened->bundle;
        $impossible = BaselineCheck::impossible(BaselineCheck::doubts($bundle, PlannedStages::of($bundle)->evaluator));
        $impossible === null || throw InvalidDocument::because('brief.received.baseline', (new BaselineWords(UnitFormatter::for($bundle, $opened->units)))->of($impossible));
    }
}
