<?php

namespace App\Queries;

use App\Assembly\DraftLibrary;
use App\Assembly\Reading;
use App\Models\User;
use Pebblerun\Core\Advice\Library\ClaimedAir;
use Pebblerun\Core\Advice\Library\LibraryDoubt;
use Pebblerun\Core\Advice\Library\PartNotes;
use Pebblerun\Core\Advice\Library\PartsCheck;
use Pebblerun\Core\Advice\Library\PlatformCheck;
use Pebblerun\Core\Catalog\Parts\Part;
use Pebblerun\Core\Evaluation\Estimate;
use Pebblerun\Core\Exchange\ConditionReader;
use Pebblerun\Core\Exchange\DocumentNode;
use Pebblerun\Core\Job\Bundle;
use Pebblerun\Core\Report\PartPreviewDocument;
use Pebblerun\Core\Report\PlatformDocument;
use Pebblerun\Core\Report\UnitFormatter;
use Pebblerun\Core\Report\Words\LibraryDoubtWords;
use Pebblerun\Core\Report\Words\PartNoteWords;
use Pebblerun\Formats\DocumentReader;
use Pebblerun\Formats\Fault;
use Pebblerun\Formats\InvalidDocument;

/** What a platform or a part that somebody is changing would be: faults, doubts, and a picture of what it gives. */
final readonly class LibraryLook
{
    public function __construct(private DraftLibrary $draft, private User $reader) {}

    /**
     * As somebody types: the document is not kept.
     *
     * @param  string  $subject  '' for the platform, or the part's key
     * @return array<string, mixed> valid against libraryLook of schemas/answers.json
     */
    public function of(string $subject, DocumentReader $documents): array
    {
        try {
            $this->draft->checked($documents, $subject);
        } catch (InvalidDocument $invalid) {
            return ['faults' => array_map(fn (Fault $fault): array => ['path' => $fault->path, 'message' => $fault->message], $invalid->faults), 'doubts' => [], 'notes' => [], 'picture' => null, 'preview' => []];
        }

        return $this->kept($subject);
    }

    /** @return array<string, mixed> of what was found right before */
    public function kept(string $subject): array
    {
        return $subject === '' ? $this->platform() : $this->part($subject);
    }

    /** @return list<array<string, mixed>> everything that is hard to believe, before it is published */
    public function doubts(): array
    {
        $opened = $this->draft->opened();

        /** @var list<array<string, mixed>> $platform */
        $platform = $this->platform()['doubts'];

        $catalog = $opened->bundle->catalog;

        return [...$platform, ...$this->words([...(new PartsCheck($catalog))->all(), ...ClaimedAir::of(Estimate::of($opened->bundle), array_values($catalog->parts->all()))], $this->say())];
    }

    /** @return array<string, mixed> */
    private function platform(): array
    {
        $say = $this->say();
        $stock = Estimate::of($this->draft->opened()->bundle);
        $doubts = $this->words(PlatformCheck::of($stock), $say);
        foreach ($this->draft->years() as $year) {
            foreach ($this->words(PlatformCheck::of(Estimate::of($this->draft->opened($year)->bundle)), $say) as $doubt) {
                $doubts[] = [...$doubt, 'path' => 'year_changes', 'message' => "{$year}: {$doubt['message']}"];
            }
        }

        $others = [];
        foreach ($this->draft->platform['baselines'] ?? [] as $place => $curve) {
            $others[] = [ConditionReader::read(new DocumentNode($curve['when'])), $other = Estimate::of($this->draft->onCurve($place)->opened()->bundle)];
            foreach ($this->words(PlatformCheck::of($other), $say) as $doubt) {
                $doubts[] = [...$doubt, 'path' => "baselines[{$place}]", 'message' => 'Curve '.($place + 1).": {$doubt['message']}"];
            }
        }

        return ['faults' => [], 'doubts' => $doubts, 'notes' => [], 'picture' => (new PlatformDocument($stock, $say, $others))->picture(), 'preview' => []];
    }

    /** @return array<string, mixed> */
    private function part(string $key): array
    {
        $bundle = $this->draft->opened()->bundle;
        $part = $bundle->catalog->part($key);
        $say = $this->say();

        return ['faults' => [], 'doubts' => $this->words([...(new PartsCheck($bundle->catalog))->of($part), ...ClaimedAir::of(Estimate::of($bundle), [$part])], $say), 'notes' => self::notes($bundle, $part, $say), 'picture' => null, 'preview' => (new PartPreviewDocument($bundle, $say))->of($part)];
    }

    /** @return list<string> */
    private static function notes(Bundle $bundle, Part $part, UnitFormatter $say): array
    {
        $platform = $bundle->catalog->platform;

        return array_map((new PartNoteWords($platform->pumpFuel($bundle->shop->loss), $say))->of(...), (new PartNotes($platform))->of($part));
    }

    /**
     * @param  list<LibraryDoubt>  $doubts
     * @return list<array<string, mixed>>
     */
    private function words(array $doubts, UnitFormatter $say): array
    {
        $words = new LibraryDoubtWords($say);

        return array_map(fn (LibraryDoubt $doubt): array => ['part' => $doubt->part === null ? '' : (string) ($this->draft->parts[$doubt->part]['name'] ?? ''), 'path' => $doubt->path, 'message' => $words->of($doubt)], $doubts);
    }

    private function say(): UnitFormatter
    {
        return Reading::of($this->reader)->formatter($this->draft->opened());
    }
}
